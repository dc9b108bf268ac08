import { Injectable, inject, signal } from '@angular/core';
import { SongStore } from '../storage/song-store';

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

/** What a key means on the bench. */
export type Command =
  | { readonly kind: 'part' | 'play-to'; readonly number: number }
  | { readonly kind: 'toggle' | 'undo' | 'redo' | 'staff' | 'help' | 'take' | 'leave' }
  | { readonly kind: 'hands'; readonly hands: 'right' | 'left' | 'both' }
  | { readonly kind: 'tempo' | 'step' | 'try'; readonly by: 1 | -1 };

const TWO_DIGITS_MS = 700;

/** Reads keys into commands; never from a field, never the Space or Enter of a focused button. */
@Injectable({ providedIn: 'root' })
export class Shortcuts {
  private readonly store = inject(SongStore);
  private lastDigit = { value: 0, at: 0 };
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
    if (event.altKey || event.isComposing) return null;
    const target = event.target instanceof Element ? event.target : null;
    if (target?.closest('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]'))
      return null;
    if (event.ctrlKey || event.metaKey) {
      if (event.key.toLowerCase() !== 'z') return null;
      return { kind: event.shiftKey ? 'redo' : 'undo' };
    }
    if (!this.areOn() && event.key !== '?') return null;
    return this.single(event, target);
  }

  private single(event: KeyboardEvent, target: Element | null): Command | null {
    // A radio pressed with the pointer keeps the focus, but the keys mean the song again.
    const onRadio = !this.cameByPointer && (target?.matches('input') ?? false);
    const onControl = onRadio || Boolean(target?.closest('button, a, [role=button]'));
    if (target?.closest('[role=dialog]') && event.key !== '?') return null;
    const digit = /^(?:Digit|Numpad)(\d)$/.exec(event.code)?.[1];
    if (digit !== undefined && (event.shiftKey || /^\d$/.test(event.key)))
      return this.digit(Number(digit), event);
    switch (event.key) {
      case ' ':
        return onControl ? null : { kind: 'toggle' };
      case 'Enter':
        return onControl ? null : { kind: 'take' };
      case 'Escape':
        return { kind: 'leave' };
      case 'ArrowLeft':
      case 'ArrowRight':
        return onRadio ? null : { kind: 'step', by: event.key === 'ArrowRight' ? 1 : -1 };
      case 'ArrowUp':
      case 'ArrowDown':
        return onRadio ? null : { kind: 'try', by: event.key === 'ArrowDown' ? 1 : -1 };
      case '-':
        return { kind: 'tempo', by: -1 };
      case '+':
      case '=':
        return { kind: 'tempo', by: 1 };
      case '?':
        return { kind: 'help' };
      default:
        return this.letter(event.key.toLowerCase());
    }
  }

  private letter(key: string): Command | null {
    const hands = { r: 'right', l: 'left', b: 'both' } as const;
    if (key === 'r' || key === 'l' || key === 'b') return { kind: 'hands', hands: hands[key] };
    return key === 's' ? { kind: 'staff' } : null;
  }

  private digit(value: number, event: KeyboardEvent): Command | null {
    const kind = event.shiftKey && event.code.startsWith('Digit') ? 'play-to' : 'part';
    const quick = event.timeStamp - this.lastDigit.at < TWO_DIGITS_MS;
    const number = quick ? 10 * this.lastDigit.value + value : value;
    this.lastDigit = { value, at: event.timeStamp };
    return number === 0 ? null : { kind, number };
  }
}
