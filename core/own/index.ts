export { asOwnNotes, type OwnChange, withChange } from './changing';
export { rolledFindings, writtenFindings } from './findings';
export { harmonyOf, type Harmonised, withHarmony } from './harmony';
export { followed } from './following';
export { type Line, lineBeside, LINES } from './lines';
export { ownBarsId } from './ownBarsId';
export { oneKeyAtATime, withWritten } from './layIn';
export {
  asPlayedNow,
  isIn,
  NOTHING_WRITTEN,
  placesOf,
  without,
  type Written,
  type WrittenHand,
  writtenHands,
  writtenIn,
} from './written';
