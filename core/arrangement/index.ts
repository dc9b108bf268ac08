export { type ArrangedChange, type Arrangement } from './arrangement';
