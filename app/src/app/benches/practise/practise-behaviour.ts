import { computed, inject, Injectable, type WritableSignal } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import { practiseKeys } from './practise-keys';
import { PractiseState } from './practise-state';
import { RecordingState } from './recording-state';

/** On the Practise bench one task is done after the other. */
@Injectable()
export class PractiseBehaviour extends BenchBehaviour {
  private readonly practise = inject(PractiseState);
  private readonly recording = inject(RecordingState);
  override readonly tab = this.practise.tab as WritableSignal<string>;
  // Each tab is seen from its beginning, and so is the next task.
  override readonly begun = computed(() => [this.practise.tab(), this.practise.current()]);
  override readonly keys = practiseKeys(this.practise, this.recording);
  override readonly isOpen = this.practise.isOpen;
  // The page turns with what is played.
  override readonly shownTick = computed(() => this.practise.listening.reached());
  override readonly picked = computed(() => this.practise.listening.wrongNotes());
  override readonly marks = computed(() => this.practise.listening.marks());

  // What is heard there goes at the tempo of the task.
  override readonly tempoPercent = computed(() =>
    this.practise.tab() === 'now' ? this.practise.tempoSet() : null,
  );

  override leave(): void {
    this.practise.stop();
    this.recording.stop();
    this.practise.tab.set('now');
  }
}
