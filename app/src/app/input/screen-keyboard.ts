import { Injectable } from '@angular/core';
import { Subject } from 'rxjs';
import { ScreenKeys } from './key-sources';

/** The bench's keyboard as something that can be recorded from. */
@Injectable()
export class ScreenKeyboard {
  readonly keys = new ScreenKeys();
  /** Keys pressed, one by one, as MIDI numbers. */
  readonly pressed = new Subject<number>();

  press(midi: number): void {
    this.keys.press(midi);
    this.pressed.next(midi);
  }
}
