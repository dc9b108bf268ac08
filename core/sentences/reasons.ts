import { fillVariant } from './fillNames';
import type { Words } from './words';

const ORDINALS: Readonly<Record<number, string>> = {
  1: 'root',
  2: 'second',
  3: 'third',
  4: 'fourth',
  5: 'fifth',
  6: 'sixth',
  7: 'seventh',
  9: 'ninth',
};

/** Why a phrase is as strong as it is, by the code of the reason. */
const PLAN_REASONS: Readonly<Record<string, string>> = {
  begins: 'the first phrase is plain',
  climax: 'the climax',
  high: 'the tune lies high',
  late: 'the song has grown so far',
  'new-strain': 'a new strain',
  lively: 'many notes or chords, or a lively section',
  'after-climax': 'after the climax it thins',
  returns: 'its strain comes again',
  frames: 'it frames the song',
  own: 'set by you',
  calm: 'a calm phrase',
};

/** Why a style is proposed for a song, by the code of the reason. */
const STYLE_REASONS: Readonly<Record<string, string>> = {
  unequal: 'the groups of the bar are unequal',
  'quick-threes': 'quick eighths in threes',
  'slow-threes': 'slow threes',
  'chord-each-beat': 'the chords change with nearly every beat',
  'slow-waltz': 'three slow beats',
  running: 'eighths run through bars of three',
  'in-three': 'three beats a bar',
  'blues-chords': 'sevenths on the first and fourth degrees',
  'jazz-chords': 'most chords have a seventh, or it is swung',
  habanera: 'dotted notes, triplets and half steps in two',
  ragged: 'quick notes off the beat in two',
  slow: 'a slow tune',
  'five-tones': 'a slow tune of five tones',
  modal: 'the tune is modal',
  brisk: 'a brisk tempo',
  'dotted-or-long': 'long or dotted notes at a middling tempo',
  plain: 'even notes at a middling tempo',
};

/** Why something was chosen or proposed, or why it is hard: one short clause each. */
export const REASONS = {
  bassLeads: (variant: string) =>
    `The melody holds still here; the bass leads on ${fillVariant('walk', variant)}.`,

  echoes: (count: number) => `The tune rests here; its last ${count} notes answer from above.`,
  answers: (count: number) =>
    `The tune holds still here; ${count} notes answer it in its own rhythm and lead back to it.`,
  sweeps: () => 'The tune holds still here; its chord opens upwards and rings on.',
  runsHome: (count: number) =>
    `The tune goes on after a pause; ${count === 3 ? 'three' : 'five'} notes of the scale lead home to it.`,
  innerMoves: () => 'The note is held; a voice under it keeps moving.',
  graced: () => 'A held note on a strong beat; a short one before it gives it weight.',
  trilled: () => 'A long note that fades; beaten twice it stays alive.',
  turned: () => 'A long note that leads on; three notes round it carry over.',
  leftSings: () => 'The right hand holds its note; the left hand has the tune meanwhile.',
  passes: (variant: string, symbol: string) =>
    `The chord lasts long enough for one on the way to ${symbol}, ${fillVariant('passing', variant)}.`,
  suspends: (isLast: boolean) =>
    `${isLast ? 'The song ends' : 'The part closes'} on a plain chord; its third comes late.`,
  endsLow: () => 'The last chord rings; its root below it says that it is the end.',
  dresses: (notes: number) =>
    `${notes === 1 ? 'One strong note' : `${notes} strong notes`} of the tune with more under the hand; the tune stays in front.`,

  introKnown: () => 'Listeners hear how it will end, and the dominant opens the door.',
  introQuiet: () => 'Quiet chords before the melody; the left hand finds its place.',
  introHints: () => 'The melody is hinted at and held back.',
  endsHome: () => 'The last note is held while the harmony falls home.',
  endsSuspended: () => 'The third comes late: a suspended ending.',
  endsAgain: (bar: number) => `From bar ${bar} once more, as singers do, then home.`,
  turnsByDominant: () => 'One bar that asks for the tonic.',
  turnsFromAbove: () => 'A half step above slides down to the dominant, and that leads back.',
  turnsDiminished: () => 'Its notes all lie a half step from home.',
  interludeQuiet: () => 'The hands rest a little while the harmony goes round.',
  interludeHigher: () => 'The tune is remembered from far off.',
  instrumental: () => 'The same notes in another order: new, and yet known.',

  phraseIs: (reason: string) => PLAN_REASONS[reason] ?? 'as the song goes',
  styleFits: (reason: string) => STYLE_REASONS[reason] ?? 'nothing speaks for another',

  leaps: () => 'the hands move a lot',
  leftAlone: () => 'the left hand often plays alone',
  unequalBeats: () => 'the beats are not all of one length',
  wide: (hand: 'right' | 'left') => `the ${hand} hand opens wide`,
  shifts: () => 'the hands change position often',
  blackKeys: (bar: number) => `many black keys in bar ${bar}`,
  fast: (strikes: number) => `${strikes.toFixed(1)} notes a second in one hand`,
  full: () => 'both hands play together',

  livelyAs: (than: -1 | 0 | 1) =>
    ({ '-1': 'calmer than the section', 0: 'as lively as the section', 1: 'livelier than the section' })[
      than
    ],
  leftHasTheBass: () => 'the left hand keeps the bass',
  ownUnderSinger: () => 'your own, in the left hand; the right holds the chords',
  ownOverBass: () => 'your own, in the right hand over the bass',
  leftGoesWith: (how: 'open-tenth' | 'line') =>
    how === 'line' ? 'over a bass that falls by step' : 'single notes over open tenths, spare and wide',
  handStays: () => 'the hand stays in its place',
  handMoves: () => 'the hand moves',
  busyTune: () => 'wide and quick under a busy tune',
  richButFree: () => 'wide and quick, and the tune leaves you free for it',
  forLater: () => 'for later: it is wider than what you have played so far',

  blackShare: (inHundred: number) => (inHundred === 0 ? 'no black key' : `${inHundred} % black-key notes`),
  fiveFingers: (parts: number, of: number) => `${parts} of ${of} parts under five fingers`,
  madeSmaller: (chords: number) => `${chords} chord${chords === 1 ? '' : 's'} made smaller to fit the hand`,
  beyondVoice: (halfSteps: number) =>
    halfSteps === 0
      ? 'inside the voice'
      : `${halfSteps} half step${halfSteps === 1 ? '' : 's'} beyond the voice`,

  given: () => 'given',
  degree: (numeral: string) => numeral,
  dominantOf: (goal: string) => `V of ${goal}`,
  borrowed: (numeral: string) => `borrowed ${numeral}`,
  tritoneForV: () => '♭II for V',
  passingDiminished: () => 'passing diminished',
  diminishedOnSeventh: () => 'vii diminished',
  standsInFor: (numeral: string, own: string) => `${numeral} for ${own}`,
  thirdInBassFor: (numeral: string, own: string) => `${numeral} with its third in the bass for ${own}`,
  suspended: (numeral: string) => `${numeral} suspended`,
  tritone: () => 'tritone substitute: the same third and seventh',
  halfStepBeside: (side: 'above' | 'below', symbol: string) => `a half step ${side} ${symbol}`,
  passingTo: (symbol: string) => `passing diminished to ${symbol}`,
  memberOf: (member: number) => `the melody note is its ${ORDINALS[member] ?? member}`,

  longNotesOnStrongBeats: (comesBack: boolean) =>
    `long notes mostly fall on strong beats${comesBack ? ', and the rhythm comes back bar by bar' : ''}`,

  holds: (letter: string, isLong: boolean) => `contains ${isLong ? 'the long ' : ''}${letter}`,
  rubsWith: (letter: string) => `${letter} clashes with it`,
  leadsByFifth: (symbol: string) => `leads by a fifth to ${symbol}`,
  movesByStep: (symbol: string) => `moves by step to ${symbol}`,
  closesPhrase: () => 'closes the phrase',
  leavesOpen: () => 'leaves the phrase open',

  sameAsPart: (part: number) => `the same as in part ${part}`,
  beginsLike: (part: number) => `begins like part ${part}`,
  movedFrom: (part: number, moved: string) => `part ${part}, ${moved}`,
  rightBack: (what: Words) => `Right hand: ${what}, over a new left hand.`,
  leftBack: (what: Words) => `Left hand: ${what}, under a new right hand.`,
  bothBack: (right: Words, left: Words) => `Right hand: ${right}. Left hand: ${left}.`,
};
