export { leftPlayed, meetingInWords, meetsInWords, sayIt, struckLate } from './meetings';
export { choicesInWords, partsListed } from './choices';
export { comparedInWords } from './comparedTurns';
export {
  derivationOf,
  givenInWords,
  togetherInWords,
  voicingCostInWords,
  voicingName,
  whyOf,
} from './explain';
export { fillInWords, fillPlaceInWords, fillTitle, spotInWords, spotTitle, versionInWords } from './fills';
export { frameTitle } from './frames';
export { lineInWords } from './fixedLine';
export { learningInWords } from './learning';
export { byHandInWords, CHORDS_TO_COME, patternOfPart } from './leftHand';
export { partCard } from './partCard';
export { writePartCards } from './partCards';
export {
  taskInWords,
  taskTitle,
  judgementInWords,
  logInWords,
  planInWords,
  careInWords,
  rankedInWords,
  hotBarInWords,
  lostInWords,
  restInWords,
  standingInWords,
  toGoInWords,
  signOf,
  signsInWords,
  troubleInWords,
  turnTitle,
  verdictInWords,
} from './practice';
export { proofInWords } from './proof';
export { handsInWords } from './handsAgain';
export { FIRST_HAND, partLine } from './partLine';
export { comesBackWhole, handsThen, plays } from './returning';
export { partSummary } from './summary';
export { barsInWords, partNumberAt, relationInWords } from './walkthrough';
export { rightHandInWords, shownNote, typesetForm, writeWalkthrough } from './walkthrough';
export { fingerCostInWords } from './fingers';
export { type CountedStroke, rhythmInWords } from './rhythm';
export { slipInWords, stepInWords } from './steps';
export { capital, counted, creditsInWords, forWhomInWords, partsInWords, timeInWords } from './titles';
export { warmUpInWords, warmUpsOf } from './warmUps';
export { pickupInWords, tempoInWords, tempoNote } from './tempo';
export { triedInWords } from './microphone';
