export { RUNGS } from './ladder';
