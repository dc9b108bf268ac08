export { type Fill, fillPart, NO_FILL_YET, type PartFills, withFills } from './fillIn';
export type { Opening, Proposal } from './proposal';
