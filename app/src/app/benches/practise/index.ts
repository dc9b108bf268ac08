import type { BenchDefinition } from '../../frame/definition';
import { Listening } from './listening';
import { PractiseBehaviour } from './practise-behaviour';
import { PractisePanel } from './practise-panel';
import { PractiseLog } from './practise-log';
import { PractiseState } from './practise-state';
import { PractiseWishes } from './practise-wishes';
import { RecordingState } from './recording-state';

/** The Practise bench: one small job at a time, listened to, kept account of. */
export const bench: BenchDefinition = {
  providers: [Listening, PractiseLog, PractiseWishes, RecordingState, PractiseState, PractiseBehaviour],
  behaviour: PractiseBehaviour,
  panel: PractisePanel,
};
