export { levelEdit, type OwnOfPart, ownOfPart } from './ownOfPart';
export { formLetters, letterOf } from './form';
export { cutIdForChoice, cutPlaces, joinWithNext, lockCut, moveCut, nearestPlace } from './cutting';
export { nudgeCut, splitAt, splitPlace } from './cutting';
export { divide } from './divide';
export { repeatedFigure } from './figures';
export { learningOf, movedInWords } from './form';
export {
  contentsOf,
  firstBarTick,
  type Part,
  partIndexAt,
  partsOf,
  type PartToPlay,
  partToPlay,
  turnOf,
  VARY,
} from './parts';
export { type Progression, progressionsOf } from './progressions';
export { relate, type Related, type Struck, struckAs } from './relations';
export { METHODS } from './methods';
export { proposeSections, writtenTick } from './sections';
export { twinsOf } from './twins';
export { melodyUp } from './melodyUp';
