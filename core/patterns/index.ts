export { AUTO, choosePattern, fitsMetre, patternsOf } from './choosing';
export { dress } from './dress';
export type { Pattern } from './pattern';
export { BLOCK, PATTERNS } from './rows';
