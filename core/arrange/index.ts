export { compareLayouts, type LayoutCost } from './comparing';
export { settling, unsettling } from './settled';
export { arrange, arrangeInSlices, type ArrangeOptions } from './song';
