export { compareLayouts, type LayoutCost } from './comparing';
export { arrange, arrangeInSlices, type ArrangeOptions } from './song';
