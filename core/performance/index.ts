export { type Click, clicksAlong, countIn, type Stretch } from './clicks';
export { Clock } from './clock';
export { withSlowing } from './slowing';
export { perform, type TimedNote, type Timeline } from './perform';
