export { withKeptFills, withLeftFills, withRightFills } from './applying';
export { changedNotes, type NoteChange } from './changing';
export { type FillsSoFar, type Measure, NO_FILL_YET } from './deciding';
export type { Fill } from './fill';
export { fillPart, type PartFills, type WaitingFill } from './fillPart';
export { FILL_KINDS, kindOfId } from './kinds/table';
export { storedNotes } from './ownNotes';
export type { FillNote, Opening, Proposal } from './proposal';
export { DRESSINGS } from './kinds/dressing';
