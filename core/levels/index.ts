export { BUILD_UP, buildUpAfter, buildUpAt, levelFor } from './buildUp';
export { BLOCKS, FILLS, FULLER, MELODY_ALONE, MOVING, type Level, levelOf, LEVELS } from './levels';
