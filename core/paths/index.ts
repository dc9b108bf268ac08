export { leastPath, type LeastPath } from './leastPath';
export { leastPathOfThrees } from './leastPathOfThrees';
