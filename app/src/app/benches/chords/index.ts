import type { BenchDefinition } from '../../frame/definition';
import { ChordsBehaviour } from './chords-behaviour';
import { ChordsPanel } from './chords-panel';
import { ChordsState } from './chords-state';

/** The Chords bench: which chord, in which position, and why. */
export const bench: BenchDefinition = {
  providers: [ChordsState, ChordsBehaviour],
  behaviour: ChordsBehaviour,
  panel: ChordsPanel,
};
