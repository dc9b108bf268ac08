export { BUILD_UP, buildUpAfter, buildUpAt, rungFor } from './buildUp';
export { BLOCKS, FILLS, FULLER, MELODY_ALONE, MOVING, type Rung, rungOf, RUNGS } from './ladder';
