export { type Character, characterOf, CHARACTERS, partsOfSection, restyled } from './characters';
export { compareLayouts, type LayoutCost } from './comparing';
export { type EasierBy, easierBy } from './easier';
export { effortOver, type EffortOver } from './effortOver';
export { type Growth, growing, growthProposed } from './growth';
export { type KeyPlace, type OtherFinger, otherFingers } from './otherFingers';
export { type PatternOffer, patternsForPart } from './patternsFor';
export { type Exception, patternTried } from './patternTried';
export { arrange, arrangeInSlices, lookAhead } from './song';
