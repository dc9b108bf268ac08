export { AUTO, choosePattern, fitsMetre, patternsOf } from './choosing';
export {
  type Cell,
  cellsOf,
  eventsOfCells,
  figureToShow,
  hasMember,
  MAKER_MEMBERS,
  type PlayedKey,
  readFigure,
  type ReadFigure,
} from './own';
export { dress } from './dress';
export type { Pattern } from './pattern';
export { type PatternProposal, patternProposals } from './proposing';
export { heightOf, rootsInPart } from './roots';
export { BLOCK, PATTERNS } from './rows';
