import { Injectable } from '@angular/core';
import { ScreenKeys } from './key-sources';

/** The bench's keyboard as something that can be recorded from. */
@Injectable()
export class ScreenKeyboard {
  readonly keys = new ScreenKeys();
}
