import { inject, Injectable } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import type { Focus, KeyPress } from '../../frame/keys/commands';
import { obeyParts } from './obey-parts';
import { partsCommandFor } from './parts-commands';
import { PartsState } from './parts-state';

/** On the Parts bench the arrows go from part to part. */
@Injectable()
export class PartsBehaviour extends BenchBehaviour {
  private readonly parts = inject(PartsState);

  override readKey(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): (() => void) | null {
    const command = partsCommandFor(press, focus, singleKeysAreOn);
    return command && (() => obeyParts(this.parts, command));
  }
}
