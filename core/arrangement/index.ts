export { givenKeys, type KeysFor } from './givenKeys';
export type { ArrangedChange, Arrangement, PartArrangement, SongFrame } from './arrangement';
export { assemble, loudnessIn } from './assemble';
export { settling, unsettling } from './settling';
export { type FillSpot, fillSpots, likePlaces, otherPasses } from './fillSpots';
export { changeIndex, changesIn } from './changesIn';
export { factsOf, type SongFacts } from './facts';
export { alsoPlayedIn, byHand, type ByHand, doubled, following, followsChords } from './byHand';
