import { inject, Injectable } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import type { Focus, KeyPress } from '../../frame/keys/commands';
import { handoutCommandFor } from './handout-commands';
import { HandoutState } from './handout-state';

/** On the Handout bench the arrows turn pages. */
@Injectable()
export class HandoutBehaviour extends BenchBehaviour {
  private readonly handout = inject(HandoutState);
  override readonly isOpen = this.handout.isOpen;

  override readKey(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): (() => void) | null {
    const command = handoutCommandFor(press, focus, singleKeysAreOn);
    if (command === null) return null;
    return () => (command.kind === 'print' ? this.handout.print() : this.handout.turn(command.by));
  }
}
