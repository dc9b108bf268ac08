export type { ArrangedChange, Arrangement, PartArrangement, SongFrame } from './arrangement';
export { assemble } from './assemble';
export { settling, unsettling } from './settling';
export { changeIndex, changesIn } from './changesIn';
export { factsOf, type SongFacts } from './facts';
