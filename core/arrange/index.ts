export { compareLayouts, type LayoutCost } from './comparing';
export { type EasierBy, easierBy } from './easier';
export { effortOver, type EffortOver } from './effortOver';
export { arrange, arrangeInSlices, lookAhead } from './song';
