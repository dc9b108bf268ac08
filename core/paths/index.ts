export { leastPath, type LeastPath } from './leastPath';
