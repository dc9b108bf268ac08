export { AUTO, choosePattern, fitsMetre, patternsOf } from './choosing';
export { dress } from './dress';
export type { Pattern } from './pattern';
export { type PatternProposal, patternProposals } from './proposing';
export { heightOf, rootsInPart } from './roots';
export { BLOCK, PATTERNS } from './rows';
