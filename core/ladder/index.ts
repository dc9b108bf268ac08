export { BLOCKS, MELODY_ALONE, type Rung, rungOf, RUNGS } from './ladder';
