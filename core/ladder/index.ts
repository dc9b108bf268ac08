export { BUILD_UP, buildUpAfter, buildUpAt, rungFor } from './buildUp';
export { BLOCKS, MELODY_ALONE, type Rung, rungOf, RUNGS, rungsBeside } from './ladder';
