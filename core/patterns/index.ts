export { AUTO, choosePattern, fitsMetre, kindred, patternsOf } from './choosing';
export {
  type Cell,
  cellsOf,
  eventsOfCells,
  figureToShow,
  hasMember,
  MAKER_MEMBERS,
  MAKER_PLACES,
  type PlayedKey,
  readFigure,
  readLine,
  readPlaces,
} from './own';
export { dress, type Dressed, strikeNotes } from './dress';
export { aboveRoot } from './members';
export type { Pattern } from './pattern';
export { descendingLine, type LinePlace } from './line';
export { patternProposals } from './proposing';
export { heightOf, rootsTogether, TOO_NEAR } from './roots';
export { BLOCK, PATTERNS } from './rows';
export {
  ON_THE_BEAT,
  SUNG_FIGURES,
  type SungFigure,
  sungFigure,
  type SungMember,
  sungProposals,
  suitsMetre,
} from './sung';
