export { easierKeys, type KeyChoice } from './easierKeys';
export { type Effort, effortOf, type EffortTask, type Measure } from './effort';
