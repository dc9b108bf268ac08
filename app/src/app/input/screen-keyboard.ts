import { Injectable, signal } from '@angular/core';
import { ScreenKeys } from './key-sources';

/** The bench's keyboard as something that can be recorded from. */
@Injectable()
export class ScreenKeyboard {
  readonly keys = new ScreenKeys();
  /** The key pressed last, anew with each press. */
  readonly pressed = signal<{ readonly midi: number } | null>(null);

  press(midi: number): void {
    this.keys.press(midi);
    this.pressed.set({ midi });
  }
}
