export { compareLayouts, type LayoutCost } from './comparing';
export { type EasierBy, easierBy } from './easier';
export { effortOver, type EffortOver } from './effortOver';
export { type FillSpot, fillSpots } from './fillSpots';
export { type Growth, growing, growthProposed } from './growth';
export { type KeyPlace, type OtherFinger, otherFingers } from './otherFingers';
export { type PatternOffer, patternsForPart } from './patternsFor';
export { type Exception, patternTried } from './patternTried';
export { arrange, arrangeInSlices, lookAhead } from './song';
