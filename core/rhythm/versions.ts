import { TICKS_PER_QUARTER } from '../music';
import { type Part, partIndexAt } from '../parts';
import { barAt, type Choices, placeInBar, type Bar, type PlayedNote, type PlayedSong } from '../song';

export type RhythmVersion = Choices['rhythm'];

/** The versions in the words of the interface. */
export const RHYTHMS: readonly {
  readonly value: RhythmVersion;
  readonly label: string;
  readonly what: string;
}[] = [
  { value: 'real', label: 'As written', what: 'same rhythm as the song' },
  { value: 'straight', label: 'Straight', what: 'syncopation moved to the beat: learn this first' },
  {
    value: 'anticipated',
    label: 'Early',
    what: 'long notes on strong beats come half a beat early, as sung',
  },
  { value: 'dotted', label: 'Dotted', what: 'even pairs become long and short, three to one' },
  { value: 'swung', label: 'Swung', what: 'even pairs become long and short, two to one' },
];

/** Half a beat, the usual syncopation. */
const HALF = TICKS_PER_QUARTER / 2;
/** A note this long or longer on a strong beat may be anticipated. */
const LONG_ENOUGH = TICKS_PER_QUARTER;

/**
 * The melody with each part in the rhythm chosen for it. Onsets move within their part only, their order and the
 * words stay; the written song is left alone. A note moved nowhere keeps its identity.
 */
export function withRhythms(played: PlayedSong, parts: readonly Part[]): PlayedSong {
  if (parts.every((part) => part.choices.rhythm === 'real')) return played;
  const byPart = parts.map((): PlayedNote[] => []);
  for (const note of played.melody) byPart[partIndexAt(parts, note.tick)].push(note);
  const melody = parts.flatMap((part, i) => inRhythm(byPart[i], part.choices.rhythm, played, part));
  return { ...played, melody };
}

function inRhythm(
  notes: readonly PlayedNote[],
  version: RhythmVersion,
  played: PlayedSong,
  part: Pick<Part, 'fromTick' | 'toTick'>,
): readonly PlayedNote[] {
  if (version === 'real' || notes.length === 0) return notes;
  const moved = notes.map((note, i) => {
    const before = notes[i - 1];
    const next = notes[i + 1];
    const bar = barAt(played.bars, note.tick);
    const tick = newOnset(note, bar, version, before, next);
    return Math.max(part.fromTick, Math.min(part.toTick - 1, tick));
  });
  return notes.map((note, i) => {
    const tick = i > 0 ? Math.max(moved[i], moved[i - 1] + 1) : moved[i];
    const next = notes[i + 1];
    const reachesNext = next !== undefined && note.tick + note.length >= next.tick;
    const end = reachesNext
      ? moved[i + 1]
      : Math.max(tick + 1, endOf(note, next && moved[i + 1], part.toTick));
    return tick === note.tick && end - tick === note.length
      ? note
      : { ...note, tick, length: Math.max(1, end - tick) };
  });
}

function endOf(note: PlayedNote, nextOnset: number | undefined, partEnd: number): number {
  return Math.min(note.tick + note.length, nextOnset ?? Math.max(partEnd, note.tick + note.length));
}

function newOnset(
  note: PlayedNote,
  bar: Bar,
  version: RhythmVersion,
  before: PlayedNote | undefined,
  next: PlayedNote | undefined,
): number {
  switch (version) {
    case 'straight':
      return straightened(note, bar, before, next);
    case 'anticipated':
      return anticipated(note, bar, before);
    case 'dotted':
      return offBeat(note, bar, before) ? note.tick + HALF / 2 : note.tick;
    case 'swung':
      return offBeat(note, bar, before) ? note.tick + Math.round(HALF / 3) : note.tick;
    case 'real':
      return note.tick;
  }
}

/**
 * A note struck off the beat and held over the next beat belongs on that beat: it waits for it. Off-beat sixteenths
 * go to the half beat. Where the beat is taken by the next note it stays.
 */
function straightened(
  note: PlayedNote,
  bar: Bar,
  before: PlayedNote | undefined,
  next: PlayedNote | undefined,
): number {
  const { inBeat, beatTicks, stepTicks } = placeInBar(bar, note.tick);
  if (note.grace || inBeat === 0) return note.tick;
  const toBeat = beatTicks - inBeat;
  const holdsOver = note.length > toBeat;
  const beatIsFree = !next || next.tick > note.tick + toBeat;
  if (holdsOver && beatIsFree && inBeat * 2 >= beatTicks) return note.tick + toBeat;
  const back = inBeat % stepTicks;
  if (back === 0 || (beatTicks % 3 === 0 && inBeat % (beatTicks / 3) === 0)) return note.tick;
  const down = note.tick - back;
  return before && before.tick >= down ? note.tick : down;
}

/** A long note on a strong beat comes half a beat early where the note before leaves room. */
function anticipated(note: PlayedNote, bar: Bar, before: PlayedNote | undefined): number {
  const isStrong = placeInBar(bar, note.tick).strength >= 3;
  if (note.grace || !isStrong || note.length < LONG_ENOUGH) return note.tick;
  const early = note.tick - HALF;
  const hasRoom = before !== undefined && before.tick <= early - HALF;
  return hasRoom ? early : note.tick;
}

/** The second of an even pair: on the half beat, after a note on the beat, not already shortened. */
function offBeat(note: PlayedNote, bar: Bar, before: PlayedNote | undefined): boolean {
  const { inBeat, beatTicks } = placeInBar(bar, note.tick);
  const isHalf = beatTicks === TICKS_PER_QUARTER && inBeat === HALF;
  return (
    isHalf && !note.grace && before !== undefined && note.tick - before.tick === HALF && note.length >= HALF
  );
}
