export { compareLayouts, type LayoutCost } from './comparing';
export { arrange, arrangeInSlices, lookAhead } from './song';
