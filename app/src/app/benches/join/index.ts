import type { BenchDefinition } from '../../frame/definition';
import { ByHandPanel } from './by-hand-panel';
import { ByHandState } from './by-hand-state';
import { EffortPanel } from './effort-panel';
import { FingersPanel } from './fingers-panel';
import { JoinBehaviour } from './join-behaviour';
import { JoinState } from './join-state';
import { MakerState } from './maker-state';
import { PatternChoices } from './pattern-choices';
import { PatternsPanel } from './patterns-panel';
import { Reasons } from './reasons';
import { StepsPanel } from './steps-panel';
import { TapState } from './tap-state';

/** The Join bench: both hands together, what makes them hard, and how they are learned to go together. */
export const bench: BenchDefinition = {
  providers: [JoinState, ByHandState, MakerState, PatternChoices, TapState, JoinBehaviour],
  behaviour: JoinBehaviour,
  panel: {
    label: 'What to do with both hands',
    tabs: [
      { value: 'why', label: 'Part', panel: Reasons },
      { value: 'patterns', label: 'Patterns', panel: PatternsPanel },
      { value: 'steps', label: 'Step', panel: StepsPanel },
      { value: 'hand', label: 'By hand', panel: ByHandPanel },
      { value: 'fingers', label: 'Fingers', panel: FingersPanel, isRare: true },
      { value: 'effort', label: 'Difficulty', panel: EffortPanel, isRare: true },
    ],
  },
};
