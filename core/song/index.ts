export { orderInWords } from './barEdits';
export { ownBarsIn } from './ownBars';
export {
  type Bar,
  barAt,
  beatAt,
  beatsLater,
  beatsOfBar,
  indexAt,
  lastAtOrBefore,
  offsetInBar,
} from './bars';
export { barsIn, placeIn, placeInBar, within, writtenBars } from './bars';
export { changeLeftOut, type ChangesEdit, changeSplit, changesPlaced } from './changeEdits';
export { changesShifted, chordPut } from './changeEdits';
export { changeMoved, changeStepped, freshId, SHORTEST } from './changeEdits';
export { applyEdit, describeEdit, sessionOf, type Named, type SongEdit, type TuneFields } from './edits';
export { type Finding, findingId, isDismissed, type Remedy } from './finding';
export { type Difference, differenceOf, withDifference } from './difference';
export { firstIssue } from './issues';
export { inOrder, spreadWords, withWordsInBars, wordsInBars } from './barWords';
export { checkedSong, migrateSong, SongShapeError } from './migrate';
export { songName } from './names';
export { cleared, heads, movePitch, syllablesOf, sungOn, wordsOf } from './noteEdits';
export { type ChoiceName, ownChoicesAt } from './ownChoices';
export { asPreferred, DEFAULT_PROFILE, profileOf, type Profile, profileSchema, SKILL } from './profile';
export { DEFAULT_CHOICES } from './emptySong';
export { type Change, type Choices, type CloseHands, type FingerPin, type Fuller } from './schema';
export { isOnSameKey } from './fingerPins';
export { hasFrame, withoutFrame } from './frameEdits';
export type { FrameKind, FramePiece } from './framePiece';
export { emptySong } from './emptySong';
export { type Division, type Layout, type Lyric, type MelodyNote } from './schema';
export { BY_PHRASE, HARMONIES, type Touch, TOUCHES } from './schemaPieces';
export {
  type Harmony,
  type OwnBars,
  type OwnPattern,
  SCHEMA_VERSION,
  type Section,
  type Song,
  songSchema,
} from './schema';
export { cutTo, wellFormed } from './texts';
export { nearestWay, transpose, twelveKeys } from './transpose';
export { joinTies, keyAt, type PlayedBar, type PlayedChange, type PlayedNote, writtenId } from './unfold';
export { harmonyAt, lyricOf, onsetsOf, sungIn, timeOf } from './unfold';
export { type PlayedSong, type PlayedTempo, unfold } from './unfold';
export { tuneDiffers } from './tuneDifference';
