export { RHYTHMS, withRhythms } from './versions';
