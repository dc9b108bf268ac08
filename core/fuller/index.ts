export { fullerRight, type FullerTask } from './fullerRight';
export { DEFAULT_FULLER, FULLER_SCHOOLS, fullerFor, type FullerSchool } from './schools';
