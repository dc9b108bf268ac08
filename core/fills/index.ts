export { type Fill, type FillDecisions, fillPart, NO_FILL_YET, type PartFills, withFills } from './fillIn';
export type { FillNote, FillPlace, Opening, Proposal } from './proposal';
export type { FillTask } from './task';
