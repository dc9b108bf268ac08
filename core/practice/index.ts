export { align, type Alignment } from './align';
export { afterReview, afterSaying, afterTurn, beginning, type Gate, GATE, type Standing } from './gate';
export { isCleanTurn, type JudgedKey, type Judgement, judgeTake, rightOf } from './judge';
export { playAsPupil, type Playing, type Pupil, STEADY } from './pianist';
export { isOfSong, isSaid, type Job, type JobKind } from './job';
export { type CardState, type PartToPractise, type Plan, planFor, type PlanOptions } from './plan';
export { type Trouble, troublesOf } from './troubles';
export { type WantedKey, wantedKeys } from './wanted';
export { type ComparedPlace, type ComparedTurns, compareTurns, turnsBefore } from './compared';
export { type Day, daysOf, type Turn } from './log';
export { partsToPractise } from './parts';
export { reviewed, type StoredCard } from './schedule';
export { minutesSinceRest, type WidePassage, widePassages } from './care';
export { type Cause, type Heat, heatOf, type HotBar, hottest } from './hotSpots';
export { type Slip, slipsOf } from './slips';
export { afterJob, cardStates, type Known, standingAt } from './standing';
export { PRACTISE_SETTINGS, type PractiseSettings, readSettings } from './settings';
export { type LiveStand, LiveTake } from './live';
export { type Aim, type RankedSong, rankSongs, type SongToRank, songToRank } from './nextSongs';
export {
  type CardRecord,
  type Jotting,
  newTurns,
  type PracticeRecord,
  readRecord,
  rowOf,
  turnsOfRows,
} from './record';
export { spotJob } from './spots';
export { barsToTap, stretchInRecording, tempoAlong, withTap } from './tapped';
