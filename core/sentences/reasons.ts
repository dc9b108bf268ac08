/** Why something was chosen or proposed, or why it is hard: one short clause each. */
export const because = {
  bassLeads: (manner: string) => `The melody holds still here; the bass leads on ${manner}.`,

  leaps: (mmPerSecond: number) => `the hands are carried ${mmPerSecond} mm every second`,
  leftAlone: () => 'the left hand often strikes alone',
  wide: () => 'the left hand opens wide',
  shifts: () => 'the hands change position often',
  blackKeys: () => 'many black keys',
  fast: (strikes: number) => `${strikes.toFixed(1)} strikes a second in one hand`,
  full: () => 'both hands play at once',

  livelyAs: (than: -1 | 0 | 1) =>
    ({ '-1': 'calmer than the section', 0: 'as lively as the section', 1: 'livelier than the section' })[
      than
    ],
  leftHasTheBass: () => 'the left hand keeps the bass',
  leftGoesWith: (how: 'open tenth' | 'line') =>
    how === 'line' ? 'over a bass that falls by step' : 'single notes over open tenths, spare and wide',
  handStays: () => 'the hand stays in its place',
  handMoves: () => 'the hand moves',
  busyTune: () => 'wide and quick under a busy tune',
  richButFree: () => 'wide and quick, and the tune leaves you free for it',
  forLater: () => 'for later: it goes wider than you have played so far',

  blackShare: (inHundred: number) =>
    inHundred === 0 ? 'no black key' : `${inHundred} in 100 strikes on black keys`,
  fiveFingers: (parts: number, of: number) => `${parts} of ${of} parts under five fingers`,
  madeSmaller: (chords: number) => `${chords} chord${chords === 1 ? '' : 's'} made smaller to fit the hand`,
  beyondVoice: (halfSteps: number) =>
    halfSteps === 0 ? 'inside the voice' : `${halfSteps} half steps beyond the voice`,

  holds: (letter: string, isLong: boolean) => `holds ${isLong ? 'the long ' : ''}${letter}`,
  rubsWith: (letter: string) => `${letter} rubs with it`,
  leadsByFifth: (symbol: string) => `leads by a fifth to ${symbol}`,
  movesByStep: (symbol: string) => `moves by step to ${symbol}`,
  closesPhrase: () => 'closes the phrase',
  leavesOpen: () => 'leaves the phrase open',

  sameAsPart: (part: number) => `the same as in part ${part}`,
  beginsLike: (part: number) => `begins like part ${part}`,
  movedFrom: (part: number, moved: string) => `part ${part}, ${moved}`,
  rightBack: (what: string) => `Right hand: ${what}, over a new left hand.`,
  leftBack: (what: string) => `Left hand: ${what}, under a new right hand.`,
  bothBack: (right: string, left: string) => `Right hand: ${right}. Left hand: ${left}.`,
};
