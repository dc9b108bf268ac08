export { bassOf, type Chord, ChordSymbolError, type Member, membersOf, movedSymbol } from './chord';
export { parseChord, spellingInChord, symbolOf } from './chord';
export { halfSteps, memberNumber } from './chordNames';
export { type ChordType } from './chordType';
export { CHORD_TYPES, typeOfMembers, typeOfSuffix } from './chordTypes';
export { PLAIN_DEGREES } from './chordXml';
export { hasMinorThird, isModal, leadingSteps, type Mode, MODES, modeSteps } from './mode';
export { fifthsOf, type Key, keyFromFifths, keyName, scaleOf, spellInKey, withSignature } from './key';
export { centreMm, isBlack, KEYBOARDS, type KeyboardSize, OCTAVE_MM, type Reach } from './keyboard';
export { reachMm, spanMm, WHITE_MM } from './keyboard';
export {
  inEnglish,
  inOwnNames,
  NOTE_NAMES,
  noteNames,
  type NoteNames,
  ownName,
  readName,
  useNoteNames,
} from './noteNames';
export { besideBlacks, landmarkOf, parseLandmark } from './landmarks';
export {
  asBeatsPerMinute,
  asQuartersPerMinute,
  barTicks,
  type Beat,
  beatsBetween,
  beatsOf,
  beatTicks,
  COMMON_TIME,
  countInTicks,
} from './metre';
export { canBeGrouped, groupsOf, hasUsualGroups, isSameMetre } from './metre';
export { type Metre, metreInFull, metreName, METRES, middleTicks, type Place, placeAt } from './metre';
export { type Strength, tempoTicks, TICKS_PER_QUARTER, TICKS_PER_WHOLE, unitTicks } from './metre';
export {
  chroma,
  classAbove,
  classNameOf,
  type Letter,
  LETTERS,
  midiOf,
  movedBy,
  nameOf,
  otherNameOf,
  strikeNumber,
} from './pitch';
export { parsePitch, parsePitchClass, type Pitch, pitchAt, type PitchClass, PitchNameError } from './pitch';
export { asTyped, staffStep, transposePitch, typeset, withSigns } from './pitch';
