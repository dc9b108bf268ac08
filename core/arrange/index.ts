export { compareLayouts, type LayoutCost } from './comparing';
export { arrange, arrangeInSlices, timelineOf } from './song';
