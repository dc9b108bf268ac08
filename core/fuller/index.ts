export { fullerRight } from './fullerRight';
export { DEFAULT_FULLER, FULLER_SCHOOLS, fullerFor } from './schools';
