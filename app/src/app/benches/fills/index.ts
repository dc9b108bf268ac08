import type { BenchDefinition } from '../../frame/definition';
import { FillsBehaviour } from './fills-behaviour';
import { FillsPanel } from './fills-panel';
import { FillsState } from './fills-state';

/** The Fills bench: what may be added where, a beginning and an end, and how a strain grows when it comes back. */
export const bench: BenchDefinition = {
  providers: [FillsState, FillsBehaviour],
  behaviour: FillsBehaviour,
  panel: FillsPanel,
};
