import { computed, inject, Injectable } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import type { Focus, KeyPress } from '../../frame/keys/commands';
import { type PractiseCommand, practiseCommandFor } from './practise-commands';
import { PractiseState } from './practise-state';
import { RecordingState } from './recording-state';

/** On the Practise bench one job is done after the other. */
@Injectable()
export class PractiseBehaviour extends BenchBehaviour {
  private readonly practise = inject(PractiseState);
  private readonly recording = inject(RecordingState);
  override readonly isOpen = this.practise.isOpen;
  // The page turns with what is played.
  override readonly shownTick = computed(() => this.practise.listening.reached());
  override readonly picked = computed(() => this.practise.listening.wrongNotes());

  override readKey(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): (() => void) | null {
    const command = practiseCommandFor(press, focus, singleKeysAreOn, this.practise.job());
    return command && (() => obeyPractise(this.practise, command, () => this.recording.tap()));
  }

  override leave(): void {
    this.practise.stop();
    this.recording.stop();
    this.practise.job.set('now');
  }
}

/** What a key of the Practise bench does. */
export function obeyPractise(practise: PractiseState, command: PractiseCommand, tap: () => void): void {
  switch (command.kind) {
    case 'job':
      return practise.job.set(command.job);
    case 'tap':
      return tap();
    case 'hear':
      return practise.hear();
    case 'next':
      return practise.next(command.by);
    case 'said':
      return void practise.said(command.isClean);
  }
}
