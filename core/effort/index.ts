export { easierKeys, type KeyChoice } from './easierKeys';
export { barsOfEffort, type Effort, effortOf } from './effort';
