import { computed, inject, Injectable, type WritableSignal } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import type { Focus, KeyPress } from '../../frame/keys/press';
import { Recorder } from '../../input/recorder';
import { tuneKeys } from './tune-keys';
import { TuneState } from './tune-state';

/** On the Tune bench notes are picked, and chords are looked at. */
@Injectable()
export class TuneBehaviour extends BenchBehaviour {
  private readonly tune = inject(TuneState);
  private readonly recorder = inject(Recorder);
  override readonly tab = this.tune.tab as WritableSignal<string>;
  override readonly keys = tuneKeys(this.tune);
  override readonly showsMelodyOnly = true;
  override readonly picked = this.tune.picked;
  override readonly pickedTick = computed(() => this.tune.note()?.tick ?? null);
  override readonly whenEmpty =
    'This part has no notes yet. Write them under Letters, play them under Play in, or press N for a first note.';

  override readKey(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): (() => void) | null {
    return this.recorder.isBusy() ? null : super.readKey(press, focus, singleKeysAreOn);
  }

  override pressNote(id: string, isExtending: boolean): boolean {
    this.tune.pick(id, isExtending);
    return true;
  }

  override selectsChanges(): boolean {
    return false;
  }

  override leave(): void {
    this.tune.leave();
  }
}
