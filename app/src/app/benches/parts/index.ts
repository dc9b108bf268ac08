import type { BenchDefinition } from '../../frame/definition';
import { PartSheet } from './part-sheet';
import { PartsBehaviour } from './parts-behaviour';
import { PartsPanel } from './parts-panel';
import { PartsState } from './parts-state';

/** The Parts bench: where the song is cut, what comes back, the card of a part. */
export const bench: BenchDefinition = {
  providers: [PartsState, PartsBehaviour],
  behaviour: PartsBehaviour,
  panel: PartsPanel,
  stage: PartSheet,
};
