export { normalFrom, seeded } from './chance';
