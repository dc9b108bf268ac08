export { compareLayouts, type LayoutCost } from './comparing';
export { type EasierBy, easierBy } from './easier';
export { effortOver, type EffortOver } from './effortOver';
export { type KeyPlace, type OtherFinger, otherFingers } from './otherFingers';
export { arrange, arrangeInSlices, lookAhead } from './song';
