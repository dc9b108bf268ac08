import { inject, Injectable, type WritableSignal } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import { chordsKeys } from './chords-keys';
import { ChordsState } from './chords-state';

/** On the Chords bench what could stand in a chord's place is weighed for the one selected. */
@Injectable()
export class ChordsBehaviour extends BenchBehaviour {
  private readonly chords = inject(ChordsState);
  override readonly tab = this.chords.tab as WritableSignal<string>;
  override readonly notice = this.chords.notice;
  override readonly keys = chordsKeys(this.chords);
  override readonly isOpen = this.chords.isOpen;
  override readonly weighsVoicings = true;
  override readonly shownKeys = this.chords.namedKeys;
}
