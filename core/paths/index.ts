export { leastPath, type LeastPath } from './leastPath';
export { leastPathOfThrees } from './leastPathOfThrees';
export { brokenEvenly, type Piece } from './breaks';
export { Follower } from './follower';
