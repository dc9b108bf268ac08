export { Clock } from './clock';
export { withSlowing } from './slowing';
export { perform, type TimedNote, type Timeline } from './perform';
