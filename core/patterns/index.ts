export { dress } from './dress';
export { type Pattern, type PatternEvent, patternFor, type PatternMember, patternNamed } from './patterns';
export { PATTERNS, SUBSTITUTES } from './patterns';
