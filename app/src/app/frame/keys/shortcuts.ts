import { inject, Injectable, signal } from '@angular/core';
import { SongStore } from '../../storage/song-store';
import { Problems } from '../../ui/problems';
import type { BenchBehaviour } from '../definition';
import { BENCHES } from '../registry';
import { runOf } from './bench-keys';
import { DigitJoiner } from './digits';
import { type Commanded, type FrameKey, goTo } from './frame-keys';
import { digitOf, type Focus } from './press';

/** Whom a key may be for. */
interface KeyReaders {
  readonly frame: Commanded;
  readonly keys: readonly FrameKey[];
  readonly bench: BenchBehaviour | undefined;
  /** Parts of the song. */
  readonly parts: number;
}

/** Reads keys; never from a field, never the Space or Enter of a focused button. */
@Injectable({ providedIn: 'root' })
export class Shortcuts {
  private readonly store = inject(SongStore);
  private readonly problems = inject(Problems);
  private readonly digits = new DigitJoiner();
  /** The pianist may switch single keys off. */
  readonly areOn = signal(true);

  /** True when the focus was last moved by the pointer, false after Tab. */
  private cameByPointer = true;

  constructor() {
    document.addEventListener('pointerdown', () => (this.cameByPointer = true), true);
    document.addEventListener('keydown', (event) => (this.cameByPointer &&= event.key !== 'Tab'), true);
    this.problems.guard(
      'Whether single keys are on could not be read',
      this.store.keysAreOn().then((on) => this.areOn.set(on)),
    );
  }

  switch(on: boolean): void {
    this.areOn.set(on);
    this.problems.guard('The choice of keys could not be stored', this.store.saveKeysAreOn(on));
  }

  /**
   * What a key does: on the open bench, else everywhere; null for nothing. Digits typed
   * quickly after one another are one number.
   */
  read(event: KeyboardEvent, { frame, keys, bench: behaviour, parts }: KeyReaders): (() => void) | null {
    if (event.isComposing) return null;
    const focus = this.focusOf(event);
    const bench = focus.inDialog ? null : benchMeant(event);
    if (bench !== null) return () => frame.goToBench(bench);
    const own = behaviour?.readKey(event, focus, this.areOn()) ?? runOf(keys, event, focus, this.areOn());
    const digit = own ? undefined : this.digitMeant(event, focus);
    if (digit === undefined) {
      if (own) this.digits.interrupt();
      return own;
    }
    const purpose = event.shiftKey && event.code.startsWith('Digit') ? 'play-to' : 'part';
    const number = this.digits.join(digit, purpose, event.timeStamp, parts);
    return number === null ? null : () => goTo(frame, number, purpose);
  }

  private digitMeant(event: KeyboardEvent, { inField, inDialog }: Focus): number | undefined {
    const digit = digitOf(event);
    const isFree = !inField && !inDialog && this.areOn() && !event.altKey && !event.ctrlKey && !event.metaKey;
    return isFree && digit !== undefined ? Number(digit) : undefined;
  }

  private focusOf(event: KeyboardEvent): Focus {
    const target = event.target instanceof Element ? event.target : null;
    const within = (selector: string): boolean => Boolean(target?.closest(selector));
    // A radio pressed with the pointer keeps the focus, but the keys mean the song again.
    const onRadio = !this.cameByPointer && within('input[type=radio]');
    return {
      inField: within('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]'),
      onControl: onRadio || within('button, a, summary, [role=button]'),
      onRadio,
      inDialog: within('[role=dialog]'),
    };
  }
}

/** Alt and a digit: the number of a bench. */
function benchMeant(event: KeyboardEvent): number | null {
  const { altKey, ctrlKey, metaKey, shiftKey, code } = event;
  // Alt and the digits of the number pad write signs on some systems.
  if (!altKey || ctrlKey || metaKey || shiftKey || code.startsWith('Numpad')) return null;
  const number = Number(digitOf(event) ?? 0);
  return number >= 1 && number <= BENCHES.length ? number : null;
}
