export { gotOrMade, keepIdentity, keptValue } from './memoize';
export { Memory, memoryOf } from './memory';
