import { inject, Injectable, signal } from '@angular/core';
import { SongStore } from '../../storage/song-store';
import { Problems } from '../../ui/problems';
import type { BenchBehaviour } from '../definition';
import { type Command, commandFor, DigitJoiner, type Focus, type Shortcut } from './commands';

export const SHORTCUTS: readonly Shortcut[] = [
  { keys: 'Space', does: 'play the part, or stop' },
  { keys: '1 2 3 …', does: 'go to a part; two digits typed quickly for 10 and above' },
  { keys: 'Shift + digit', does: 'play from part 1 to that part' },
  { keys: 'R  L  B', does: 'hear the right hand, the left, both' },
  { keys: '−  +', does: 'slower, faster' },
  { keys: '←  →', does: 'previous, next chord' },
  { keys: '↑  ↓', does: 'hear the next-best voicing of the chord' },
  { keys: 'Enter', does: 'take the voicing heard' },
  { keys: 'Esc', does: 'back to the part' },
  { keys: 'S', does: 'staff or seam' },
  { keys: 'V', does: 'desk view: the part alone, as large as it fits; Esc leaves it' },
  { keys: 'Page ↑ ↓', does: 'turn: the next rows of the part, then the next part' },
  { keys: 'Ctrl + Z', does: 'undo' },
  { keys: 'Ctrl + Shift + Z', does: 'redo' },
  { keys: '?', does: 'this list' },
];

/** Reads keys into commands; never from a field, never the Space or Enter of a focused button. */
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

  /** What a key means in a song of so many `parts`; null for nothing. */
  read(event: KeyboardEvent, parts: number): Command | null {
    if (event.isComposing) return null;
    const command = commandFor(event, this.focusOf(event), this.areOn());
    return command && this.digits.join(command, event.timeStamp, parts);
  }

  /** What a key does on the open bench, or null when it means what it means everywhere. */
  readOwn(event: KeyboardEvent, bench: BenchBehaviour): (() => void) | null {
    return event.isComposing ? null : bench.readKey(event, this.focusOf(event), this.areOn());
  }

  private focusOf(event: KeyboardEvent): Focus {
    const target = event.target instanceof Element ? event.target : null;
    const within = (selector: string): boolean => Boolean(target?.closest(selector));
    // A radio pressed with the pointer keeps the focus, but the keys mean the song again.
    const onRadio = !this.cameByPointer && within('input[type=radio]');
    return {
      inField: within('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]'),
      onControl: onRadio || within('button, a, [role=button]'),
      onRadio,
      inDialog: within('[role=dialog]'),
    };
  }
}
