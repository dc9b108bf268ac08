import type { BenchDefinition } from '../../frame/definition';
import { Listening } from './listening';
import { LogPanel } from './log-panel';
import { NowPanel } from './now-panel';
import { PlacesPanel } from './places-panel';
import { PlanPanel } from './plan-panel';
import { PractiseBehaviour } from './practise-behaviour';
import { PractiseLog } from './practise-log';
import { PractiseState } from './practise-state';
import { PractiseWishes } from './practise-wishes';
import { RecordingPanel } from './recording-panel';
import { RecordingState } from './recording-state';
import { Sitting } from './sitting';
import { TaskLine } from './task-line';

/** The Practise bench: one small task at a time, listened to, kept account of. */
export const bench: BenchDefinition = {
  providers: [
    Listening,
    PractiseLog,
    PractiseWishes,
    RecordingState,
    Sitting,
    PractiseState,
    PractiseBehaviour,
  ],
  behaviour: PractiseBehaviour,
  above: TaskLine,
  panel: {
    label: 'What to look at',
    hidesFindings: true,
    tabs: [
      { value: 'now', label: 'Now', panel: NowPanel },
      { value: 'plan', label: 'Plan', panel: PlanPanel },
      { value: 'places', label: 'Trouble', panel: PlacesPanel, isWide: true },
      { value: 'log', label: 'Log', panel: LogPanel, isWide: true },
      { value: 'recording', label: 'Recording', panel: RecordingPanel },
    ],
  },
};
