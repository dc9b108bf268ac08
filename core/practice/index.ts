export { align, type Alignment } from './align';
export { afterReview, afterSaying, afterTurn, beginning, type Gate, GATE, type Standing } from './gate';
export { isCleanTurn, type JudgedKey, type Judgement, judgeTake } from './judge';
export { playAsPupil, type Playing, type Pupil, STEADY } from './pianist';
export {
  cardOf,
  goalOf,
  type CardState,
  isSaid,
  type Job,
  type JobKind,
  type PartToPractise,
  type Plan,
  planFor,
  type PlanOptions,
} from './plan';
export { type Trouble, troublesOf } from './troubles';
export { type WantedKey, wantedKeys } from './wanted';
export { type Day, daysOf, type Turn } from './log';
export { partsToPractise } from './parts';
export { reviewed, type StoredCard } from './schedule';
export { minutesSinceRest, REST_AFTER_MINUTES, type WidePassage, widePassages } from './care';
export { type Cause, type Heat, heatOf, type HotBar, hottest, type Slip, slipsOf } from './hotSpots';
export { type LiveStand, LiveTake } from './live';
export { type Aim, type RankedSong, rankSongs, type SongToRank, songToRank } from './nextSongs';
export {
  type CardRecord,
  type Jotting,
  newTurns,
  type PracticeRecord,
  PRACTISE_SETTINGS,
  type PractiseSettings,
  readRecord,
  readSettings,
  rowOf,
  turnsOfRows,
} from './record';
export { spotJob } from './spots';
export { barsToTap, secondsInRecording, stretchInRecording, withTap } from './tapped';
