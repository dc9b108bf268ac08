// The face of the core: what the application and the tools may use.
export {
  type Arrangement,
  type ArrangedChange,
  type ArrangeOptions,
  arrange,
  arrangeInSlices,
  timelineOf,
} from './arrange';
export { easierKeys, type KeyChoice } from './effort/easierKeys';
export { type Effort, type Measure } from './effort/effort';
export { type Fill } from './fills/fill';
export { FileError, MOST_BYTES, READ_ENDINGS } from './formats/fileError';
export { writeMidi } from './formats/midiWrite';
export { type TuneCandidate } from './formats/candidates';
export { readChart } from './formats/chordPro';
export { EntryError, readLetters, writeLetters } from './formats/letters';
export { type OpenedFile, openFile } from './formats/openFile';
export { type PartCard, partCard } from './formats/partCard';
export { learningInWords } from './formats/learning';
export { readMusicXml } from './formats/musicxmlRead';
export { writeMxl } from './formats/mxlWrite';
export { countsOfTake, FieldError, readTune, type TypedTune, writeTune } from './formats/typedTune';
export { writeMusicXml } from './formats/musicxmlWrite';
export { type Project, readProject, writeProject } from './formats/project';
export { reportOf, totalsOf } from './formats/report';
export { valuesOf } from './formats/noteValues';
export { voicesOf } from './formats/voices';
export {
  barsInWords,
  meetingInWords,
  partNumberAt,
  relationInWords,
  rightHandInWords,
  sayIt,
  typesetForm,
  writeWalkthrough,
} from './formats/walkthrough';
export { inversionName } from './harmony/inversion';
export { findKeys, type FoundKey } from './harmony/keyFinding';
export { nameKeys } from './harmony/naming';
export { countAt } from './joining/counts';
export { type Hand, type HandNote } from './joining/handNote';
export { RUNGS } from './joining/hands';
export { type Meeting } from './joining/meetings';
export { PATTERNS } from './joining/patterns';
export { keepIdentity } from './music/memo';
export { parseChord, symbolOf } from './music/chord';
export { type Key, fifthsOf, keyName, scaleOf, spellInKey } from './music/key';
export {
  centreMm,
  isBlack,
  KEYBOARDS,
  type KeyboardSize,
  OCTAVE_MM,
  type Reach,
  reachMm,
  spanMm,
  WHITE_MM,
} from './music/keyboard';
export { besideBlacks, landmarkOf } from './music/landmarks';
export {
  barTicks,
  beatTicks,
  halfBeatTicks,
  isCompound,
  type Metre,
  metreName,
  pulseTicks,
  TICKS_PER_QUARTER,
} from './music/metre';
export {
  chroma,
  classNameOf,
  midiOf,
  nameOf,
  parsePitch,
  type Pitch,
  staffStep,
  typeset,
} from './music/pitch';
export { type Part, firstBarTick, partIndexAt, partsOf } from './parts/parts';
export { handsInWords } from './joining/handRelations';
export { proposeSections, writtenTick } from './parts/sections';
export { SCHOOLS } from './parts/schools';
export { type Progression, progressionsOf } from './parts/progressions';
export { compareLayouts, type LayoutCost } from './comparing';
export { LAYOUT_ROWS } from './voicing/layoutNames';
export {
  DRILLS,
  type DrillPattern,
  type DrillStep,
  drillFrom,
  drillThrough,
  type KeyOrder,
  type Mark,
  markKeys,
} from './voicing/drill';
export { arpeggioWarmUp, scaleWarmUp, type WarmUpNote } from './fingering/warmups';
export { chordsFor, type Scope, type Suggestion, suggestionsAt } from './suggesting/toChanges';
export { TASTES, type Taste } from './suggesting/schools';
export {
  byHalfStep,
  chordsHolding,
  type Holding,
  type Neighbour,
  neighboursOf,
  onLadder,
} from './harmony/neighbours';
export { roleInWords, roleOf } from './harmony/roles';
export { heardRubs, notesUnder } from './harmony/underChords';
export { changeAdded, changeLeftOut, changeMoved, changesPlaced } from './song/changeEdits';
export { degreeOf, numeralOf } from './harmony/degree';
export { diatonicChords } from './harmony/diatonic';
export { membersOf, type Chord } from './music/chord';
export { candidatesFor } from './voicing/candidates';
export { leftBounds } from './voicing/bounds';
export { CHORD_TYPES } from './music/chordTypes';
export { keysInPlace, readSymbol } from './voicing/inPlace';
export {
  cutIdForChoice,
  cutPlaces,
  joinWithNext,
  lockCut,
  moveCut,
  nearestPlace,
  nudgeCut,
  splitAt,
  splitPlace,
} from './parts/cutting';
export { learnedFingers } from './fingering/fixed';
export { type TimedNote, type TimedPedal, type Timeline } from './performance/perform';
export { Clock } from './performance/clock';
export { RHYTHMS } from './rhythm/versions';
export { type Grid, gridInWords } from './takes/grid';
export { findMetres, type FoundMetre } from './takes/metreFinding';
export { movedInWords } from './takes/quantise';
export { type KeyEvent, type Mistake, playSimulated, type TuneKey } from './takes/simulatedPianist';
export { compareTakes, type Take, takeOf, withTake } from './takes/take';
export { barAt, beatAt, inForceAt, writtenBars } from './song/bars';
export { orderInWords } from './song/barEdits';
export { applyEdit, describeEdit, sessionOf, type SongEdit } from './song/edits';
export { heads, wordsOf } from './song/noteEdits';
export { twelveKeys } from './song/transpose';
export { type Finding, type Fix, findingId } from './song/finding';
export { migrateSong, SongShapeError } from './song/migrate';
export {
  type Choices,
  type CloseHands,
  type Division,
  type Section,
  DEFAULT_CHOICES,
  DEFAULT_PROFILE,
  emptySong,
  type Layout,
  type MelodyNote,
  type Pin,
  type Profile,
  profileSchema,
  SCHEMA_VERSION,
  type Song,
  songSchema,
} from './song/schema';
export { keyAt, type PlayedBar, type PlayedNote, type PlayedSong, unfold } from './song/unfold';
export { derivationOf, movementInWords, points, voicingName, whyOf } from './voicing/explain';
export { type Alternative, spell } from './voicing/voice';
export { alternativesFor } from './voicing/voiceParts';
