import type { BenchDefinition } from '../../frame/definition';
import { JoinBehaviour } from './join-behaviour';
import { JoinPanel } from './join-panel';
import { JoinState } from './join-state';
import { MakerState } from './maker-state';
import { PatternChoices } from './pattern-choices';
import { TapState } from './tap-state';

/** The Join bench: both hands together, what makes them hard, and how they are learned to go together. */
export const bench: BenchDefinition = {
  providers: [JoinState, MakerState, PatternChoices, TapState, JoinBehaviour],
  behaviour: JoinBehaviour,
  panel: JoinPanel,
};
