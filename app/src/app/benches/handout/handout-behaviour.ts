import { inject, Injectable } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import { handoutKeys } from './handout-keys';
import { HandoutState } from './handout-state';

/** On the Handout bench the arrows turn pages. */
@Injectable()
export class HandoutBehaviour extends BenchBehaviour {
  private readonly handout = inject(HandoutState);
  override readonly keys = handoutKeys(this.handout);
  override readonly isOpen = this.handout.isOpen;
}
