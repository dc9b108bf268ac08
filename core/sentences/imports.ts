import type { Words } from './words';

/** "1 quarter note", "0.50 quarter notes". */
function inQuarters(quarters: number): string {
  const shown = Number.isInteger(quarters) ? `${quarters}` : quarters.toFixed(2);
  return `${shown} quarter note${quarters === 1 ? '' : 's'}`;
}

const GRIDS = {
  beat: 'on the beats',
  eighths: 'straight, two to a beat',
  sixteenths: 'straight, four to a beat',
  triplets: 'triplets, three to a beat',
  swing: 'swung',
} as const;

/** What reading a file found and could not decide; bars by the names they have in the file. */
export const IMPORTS = {
  /** As a song of before has it: its own sentence. */
  asTold: (text: string) => text,

  chordKindUnknown: (kind: string, bar: string, symbol: string | null) =>
    `The chord kind "${kind}" in bar ${bar} is not known; ${symbol === null ? 'the left hand rests' : `read as ${symbol.replace('pedal', ' (root alone)')}`}.`,
  modeUnknown: (mode: string, bar: string) =>
    `The mode "${mode}" in bar ${bar} is not known; the key is read as major. Set it in Tune › Bars.`,
  keyRespelled: (key: string, as: string) =>
    `${key} has more than seven accidentals; it is written as ${as}, which sounds the same.`,
  groupsLeftOut: (groups: readonly number[], metre: string) =>
    `The groups ${groups.join('+')} do not add up to ${metre}: it is counted as usual. Set it in Tune › Bars.`,
  barTooShort: (bar: string, quarters: number) =>
    `Bar ${bar} does not add up: it is too short by ${inQuarters(quarters)}. A rest fills it.`,
  barTooLong: (bar: string, quarters: number, metre: string) =>
    `Bar ${bar} does not add up: it is too long by ${inQuarters(quarters)}. It is kept as a bar of ${metre}.`,
  chordLeftOut: (symbol: string, why: 'too-early' | 'no-length') =>
    `The chord ${symbol} was left out: it ${why === 'too-early' ? 'begins before the song' : 'lasts no time'}. Write it again where it belongs.`,

  repeatsTooLong: (bars: number) => `The repeats go on beyond ${bars} bars; they are followed no further.`,
  noSign: (bar: number) =>
    `Bar ${bar} says "from the sign", but there is no sign; it goes back to the beginning.`,

  chordsReadOff: () =>
    'The file has no chord symbols: the chords were read off its other notes. Look them over.',
  asWritten: () =>
    'Both hands are played as the file has them, with staccato, tenuto, accents and pedal where a score writes them; loudness is not kept, nor the pedal of a MIDI file. To have the program arrange any bars, choose By hand on the Join bench.',
  chordsSuggested: () =>
    'The file has neither chord symbols nor other notes: these chords are suggested for its melody. Look them over.',
  chordsToSuggest: () =>
    'The file has neither chord symbols nor other notes, and is long: the Chords bench suggests chords for its melody.',
  lengthsGuessed: (bars: number) =>
    `How long the chords last was guessed: ${bars === 1 ? 'one bar' : bars === 2 ? 'two bars' : 'half a bar'} each, or half of that for two without words between them. Check them in Tune › Bars.`,
  comesAgain: (section: string, bar: number) =>
    `${section} is written once and only named later: its bars come again from bar ${bar}.`,
  tablatureLeftOut: (lines: number, first: number) =>
    `${lines === 1 ? 'A line' : `${lines} lines`} of guitar tablature, from line ${first} on, ${lines === 1 ? 'was' : 'were'} left out.`,
  played: (moved: Words, grid: Words) => `The file was played, not written: ${moved}, ${grid}.`,
  nothingMoved: () => 'every note was exactly in time',
  nothingPlayed: () => 'nothing was played',
  onGrid: (grid: keyof typeof GRIDS | null) => (grid === null ? 'changing from beat to beat' : GRIDS[grid]),
  movedBy: (mean: number, most: number) => `notes were moved by ${mean} ms on average, ${most} ms at most`,
  profileUnfit: (problem: string) =>
    `The profile in the file could not be used (${problem}): hands of an octave and 88 keys are assumed. Set yours in the profile.`,
};
