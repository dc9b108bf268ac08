import { computed, inject, Injectable } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import { practiseKeys } from './practise-keys';
import { PractiseState } from './practise-state';
import { RecordingState } from './recording-state';

/** On the Practise bench one job is done after the other. */
@Injectable()
export class PractiseBehaviour extends BenchBehaviour {
  private readonly practise = inject(PractiseState);
  private readonly recording = inject(RecordingState);
  override readonly keys = practiseKeys(this.practise, this.recording);
  override readonly isOpen = this.practise.isOpen;
  // The page turns with what is played.
  override readonly shownTick = computed(() => this.practise.listening.reached());
  override readonly picked = computed(() => this.practise.listening.wrongNotes());

  override leave(): void {
    this.practise.stop();
    this.recording.stop();
    this.practise.job.set('now');
  }
}
