export { Clock } from './clock';
export { perform, type TimedNote, type Timeline } from './perform';
