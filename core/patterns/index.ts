export { AUTO, type ChosenPattern, choosePattern, fitsMetre, patternsOf } from './choosing';
export { dress } from './dress';
export type { Pattern, PatternEvent, PatternMember } from './pattern';
export { BLOCK, PATTERNS } from './rows';
