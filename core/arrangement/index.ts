export type { ArrangedChange, Arrangement, PartArrangement, SongFrame } from './arrangement';
export { assemble } from './assemble';
