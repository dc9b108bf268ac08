import type { BenchDefinition } from '../../frame/definition';
import { HandoutBehaviour } from './handout-behaviour';
import { HandoutPages } from './handout-pages';
import { HandoutPanel } from './handout-panel';
import { HandoutState } from './handout-state';

/** The Handout bench: the arrangement on paper, and everything of it to take away. */
export const bench: BenchDefinition = {
  providers: [HandoutState, HandoutBehaviour],
  behaviour: HandoutBehaviour,
  panel: HandoutPanel,
  stage: HandoutPages,
  without: ['rail', 'piano', 'transport'],
};
