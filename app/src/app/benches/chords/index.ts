import type { BenchDefinition } from '../../frame/definition';
import { ChordPanel } from './chord-panel';
import { ChordsBehaviour } from './chords-behaviour';
import { ChordsState } from './chords-state';
import { HoldsPanel } from './holds-panel';
import { NamePanel } from './name-panel';
import { StylesPanel } from './styles-panel';
import { SuggestPanel } from './suggest-panel';

/** The Chords bench: which chord, in which position, and why. */
export const bench: BenchDefinition = {
  providers: [ChordsState, ChordsBehaviour],
  behaviour: ChordsBehaviour,
  panel: {
    label: 'What to do with the chords',
    tabs: [
      { value: 'chord', label: 'Chord', panel: ChordPanel },
      { value: 'voicing', label: 'Voicing', panel: StylesPanel },
      { value: 'suggest', label: 'Suggest', panel: SuggestPanel },
      { value: 'holds', label: 'Holds', panel: HoldsPanel },
      { value: 'name', label: 'Name', panel: NamePanel },
    ],
  },
};
