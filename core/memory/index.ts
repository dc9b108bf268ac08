export { gotOrMade, keepIdentity, keptValue, lazily } from './memoize';
export { Memory, memoryOf } from './memory';
