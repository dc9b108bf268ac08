export { easierKeys, type KeyChoice } from './easierKeys';
export { barsOfEffort, type Effort, type EffortBar, effortOf } from './effort';
