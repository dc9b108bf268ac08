export { type Fill, fillIn } from './fill';
export { walkIdOf } from './walk';
