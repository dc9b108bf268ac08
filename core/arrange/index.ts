export { compareLayouts, type LayoutCost } from './comparing';
export { arrange, arrangeInSlices } from './song';
