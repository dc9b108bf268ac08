export { easierKeys, type KeyChoice } from './easierKeys';
export { type Effort, effortOf } from './effort';
