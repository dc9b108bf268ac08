export { fullerRight } from './fullerRight';
export { DEFAULT_FULLER, FULLER_MANNERS, fullerFor } from './manners';
