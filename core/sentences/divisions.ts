/** Why a part begins where it does. */
export const DIVISIONS = {
  songBegins: () => 'the song begins',
  ownCut: () => 'you cut here',
  lockedCut: () => 'you locked this cut',
  everyBars: (bars: number) => `every ${bars} bars, as asked`,
  shareComplete: (share: 1 | 2 | 3) =>
    `a ${['half', 'quarter', 'eighth'][share - 1]} of the song is complete`,

  restBefore: (beats: number) =>
    beats < 1
      ? 'a short rest before it'
      : beats === 1
        ? 'a rest of a beat before it'
        : `a rest of ${beats} beats before it`,
  longBefore: (isMuchLonger: boolean) => (isMuchLonger ? 'a long note before it' : 'a longer note before it'),
  closesAtHome: () => 'the melody ends on the key-note or its fifth',
  melodyRests: () => 'the melody rests',
  leap: () => 'a leap',
  comma: () => 'a comma in the words',
  lineEnds: () => 'the line of words ends',
  lineBegins: () => 'a new line of words begins',
  sectionBegins: () => 'a section begins',
  repeatBegins: () => 'a repeat begins',
  onBarLine: () => 'on the bar line',
  asPickup: () => 'begins with the same pick-up as the song',
  cadence: (cadence: 'closed' | 'open') =>
    cadence === 'closed' ? 'a cadence on I before it' : 'the part before ends on V',
  returnBegins: (what: 'figure' | 'rhythm') => `a ${what} begins that comes again`,
  returns: (likeness: 'same' | 'moved' | 'rhythm') =>
    likeness === 'moved'
      ? 'an earlier figure comes back, transposed'
      : `an earlier ${likeness === 'rhythm' ? 'rhythm' : 'figure'} returns`,
};
