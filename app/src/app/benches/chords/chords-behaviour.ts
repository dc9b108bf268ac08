import { inject, Injectable } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import type { Focus, KeyPress } from '../../frame/keys/commands';
import { chordsCommandFor } from './chords-commands';
import { ChordsState } from './chords-state';
import { obeyChords } from './obey-chords';

/** On the Chords bench what could stand in a chord's place is weighed for the one selected. */
@Injectable()
export class ChordsBehaviour extends BenchBehaviour {
  private readonly chords = inject(ChordsState);
  override readonly isOpen = this.chords.isOpen;
  override readonly weighsVoicings = true;

  override readKey(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): (() => void) | null {
    const command = chordsCommandFor(press, focus, singleKeysAreOn);
    return command && (() => obeyChords(this.chords, command));
  }
}
