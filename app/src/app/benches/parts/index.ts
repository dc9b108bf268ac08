import type { BenchDefinition } from '../../frame/definition';
import { CuttingPanel } from './cutting-panel';
import { PartSheet } from './part-sheet';
import { PartsBehaviour } from './parts-behaviour';
import { PartsState } from './parts-state';
import { SectionsPanel } from './sections-panel';
import { ThisPartPanel } from './this-part-panel';

/** The Parts bench: where the song is cut, what comes back, the card of a part. */
export const bench: BenchDefinition = {
  providers: [PartsState, PartsBehaviour],
  behaviour: PartsBehaviour,
  panel: {
    label: 'What to do with the parts',
    tabs: [
      { value: 'part', label: 'This part', panel: ThisPartPanel },
      { value: 'cut', label: 'Cutting', panel: CuttingPanel },
      { value: 'sections', label: 'Sections', panel: SectionsPanel },
    ],
  },
  stage: PartSheet,
  without: ['piano'],
};
