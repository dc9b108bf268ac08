import type { BenchDefinition } from '../../frame/definition';
import { LettersAbove } from './letters-above';
import { TuneBehaviour } from './tune-behaviour';
import { TunePanel } from './tune-panel';
import { TuneState } from './tune-state';

/** The Tune bench: the melody told, played in and put right. */
export const bench: BenchDefinition = {
  providers: [TuneState, TuneBehaviour],
  behaviour: TuneBehaviour,
  panel: TunePanel,
  above: LettersAbove,
};
