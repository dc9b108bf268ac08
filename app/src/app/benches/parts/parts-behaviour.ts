import { inject, Injectable, type WritableSignal } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import { partsKeys } from './parts-keys';
import { PartsState } from './parts-state';

/** On the Parts bench the arrows go from part to part. */
@Injectable()
export class PartsBehaviour extends BenchBehaviour {
  private readonly parts = inject(PartsState);
  override readonly tab = this.parts.tab as WritableSignal<string>;
  override readonly keys = partsKeys(this.parts);
}
