import { computed, inject, Injectable, signal, type WritableSignal } from '@angular/core';
import { BenchBehaviour, type PressedKey } from '../../frame/definition';
import type { Dragged } from '../../frame/drag-key';
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

  override readonly canDrag = signal(true);

  /** All notes picked go with the one that is dragged; another is picked by it. */
  override dragNote(id: string, _key: PressedKey, { ticks, steps }: Dragged): void {
    if (!this.tune.picked().includes(id)) this.tune.pick(id, false);
    if (steps !== 0) this.tune.movePitch({ steps });
    const later = Math.round(ticks / this.tune.timeStep());
    if (later !== 0) this.tune.shift(later);
  }

  override selectsChanges(): boolean {
    return false;
  }

  override leave(): void {
    this.tune.leave();
  }
}
