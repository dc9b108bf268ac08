import { inject, Injectable, signal } from '@angular/core';
import { type ChordsCommand, chordsCommandFor } from '../chords/chords-commands';
import { type PartsCommand, partsCommandFor } from '../parts/parts-commands';
import { SongStore } from '../storage/song-store';
import { type TuneCommand, tuneCommandFor } from '../tune/tune-commands';
import { type Command, commandFor, DigitJoiner, type Focus } from './commands';

/** One line of the list of keys. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
}

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
  { keys: 'Ctrl + Z', does: 'undo' },
  { keys: 'Ctrl + Shift + Z', does: 'redo' },
  { keys: '?', does: 'this list' },
];

/** Reads keys into commands; never from a field, never the Space or Enter of a focused button. */
@Injectable({ providedIn: 'root' })
export class Shortcuts {
  private readonly store = inject(SongStore);
  private readonly digits = new DigitJoiner();
  /** The pianist may switch single keys off. */
  readonly areOn = signal(true);

  /** True when the focus was last moved by the pointer, false after Tab. */
  private cameByPointer = true;

  constructor() {
    document.addEventListener('pointerdown', () => (this.cameByPointer = true), true);
    document.addEventListener('keydown', (event) => (this.cameByPointer &&= event.key !== 'Tab'), true);
    void this.store.keysAreOn().then((on) => this.areOn.set(on));
  }

  switch(on: boolean): void {
    this.areOn.set(on);
    void this.store.saveKeysAreOn(on);
  }

  read(event: KeyboardEvent): Command | null {
    if (event.isComposing) return null;
    const command = commandFor(event, this.focusOf(event), this.areOn());
    return command && this.digits.join(command, event.timeStamp);
  }

  /** The command of a key on the Tune bench, or null when it means what it means everywhere. */
  readTune(event: KeyboardEvent): TuneCommand | null {
    return event.isComposing ? null : tuneCommandFor(event, this.focusOf(event), this.areOn());
  }

  /** The command of a key on the Parts bench, or null when it means what it means everywhere. */
  readParts(event: KeyboardEvent): PartsCommand | null {
    return event.isComposing ? null : partsCommandFor(event, this.focusOf(event), this.areOn());
  }

  /** The command of a key on the Chords bench, or null when it means what it means everywhere. */
  readChords(event: KeyboardEvent): ChordsCommand | null {
    return event.isComposing ? null : chordsCommandFor(event, this.focusOf(event), this.areOn());
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
