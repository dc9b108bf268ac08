import { type Key, nameOf, type Pitch, staffStep, unitTicks } from '../music';
import type { OwnBars } from '../song';
import { type CountedBar, readCountsIn, writeCounts } from './counts';
import { EntryError, readLetters, type TypedKey, writeStrike } from './letters';
import { FieldError, inField, type TypedTune } from './typedTune';

type OwnNote = OwnBars['notes'][number];

/** Notes of one hand in letters and counts, chords as "C+E"; ticks are told from the first bar on. */
export function writeBars(notes: readonly OwnNote[], bars: readonly CountedBar[], key: Key): TypedTune {
  const strikes = strikesOf(notes);
  const from = bars[0].tick;
  const times = strikes
    .filter(({ grace }) => !grace)
    .map(({ after, notes: keys }) => ({
      tick: from + after,
      length: Math.max(...keys.map(({ length }) => length)),
    }));
  return {
    letters: strikes
      .map(({ grace, notes: keys }) =>
        writeStrike(
          keys.map(({ pitch }) => pitch),
          grace,
          key,
        ),
      )
      .join(' '),
    counts: times.length === 0 ? '' : writeCounts(times, bars),
  };
}

/** What is struck at one time, lowest first; grace notes one after the other before it. */
function strikesOf(notes: readonly OwnNote[]): { after: number; grace: boolean; notes: OwnNote[] }[] {
  const strikes: { after: number; grace: boolean; notes: OwnNote[] }[] = [];
  const sorted = [...notes].sort((a, b) => a.after - b.after || Number(b.grace ?? 0) - Number(a.grace ?? 0));
  for (const note of sorted) {
    const last = strikes.at(-1);
    if (last && last.after === note.after && !last.grace && !note.grace) last.notes.push(note);
    else strikes.push({ after: note.after, grace: note.grace ?? false, notes: [note] });
  }
  for (const { notes: keys } of strikes)
    keys.sort((a, b) => staffStep(a.pitch) - staffStep(b.pitch) || a.pitch.alter - b.pitch.alter);
  return strikes;
}

interface TypedBars {
  readonly notes: readonly OwnNote[];
  /** Letters without counts, or counts without letters, told with their place. */
  readonly missing: FieldError | null;
}

/**
 * Reads what {@link writeBars} writes. What letters and counts do not tell stays as it was in `before`: how long a key
 * that is still struck there was held and touched, the chord it follows. Throws {@link FieldError}.
 */
export function readBars(
  typed: TypedTune,
  bars: readonly CountedBar[],
  key: Key,
  before: readonly OwnNote[],
  start?: Pitch,
): TypedBars {
  const keys = inField('letters', () => readLetters(typed.letters, key, start));
  const times =
    typed.counts.trim() === ''
      ? oneCountEach(bars)
      : inField('counts', () => readCountsIn(typed.counts, bars));
  const told = readAgain(before, bars, key);
  const notes: OwnNote[] = [];
  let next = -1;
  let first = 0;
  for (const { pitch, grace, joins } of keys) {
    if (!grace && !joins) next++;
    // A grace note stands before the strike it leads to.
    const time = times[grace ? next + 1 : next];
    if (!time) break;
    if (!joins) first = notes.length;
    const isTwice = notes.slice(first).some((other) => joins && nameOf(other.pitch) === nameOf(pitch));
    if (isTwice) continue;
    const was = told.find(
      ({ note }) =>
        note.after === time.tick && (note.grace ?? false) === grace && nameOf(note.pitch) === nameOf(pitch),
    );
    const length = was && !grace && was.read === time.length ? was.note.length : time.length;
    const { over, touch } = was?.note ?? {};
    notes.push({
      after: time.tick,
      length: grace ? 0 : length,
      pitch,
      ...(grace ? { grace: true as const } : {}),
      ...(touch ? { touch } : {}),
      ...(over === undefined ? {} : { over }),
    });
  }
  const missing = missingIn(keys, times, next);
  const isUntold = typed.counts.trim() === '';
  return { notes, missing: isUntold && missing?.field === 'counts' ? null : missing };
}

/** Until counts are told, a letter is struck on each. */
function oneCountEach(bars: readonly CountedBar[]): { tick: number; length: number; at: number }[] {
  return bars.flatMap(({ tick, length, metre }) => {
    const unit = unitTicks(metre);
    const first = tick - bars[0].tick;
    return Array.from({ length: Math.floor(length / unit) }, (_, i) => ({
      tick: first + i * unit,
      length: unit,
      at: 0,
    }));
  });
}

/** Notes with the length that letters and counts tell of each. */
function readAgain(
  before: readonly OwnNote[],
  bars: readonly CountedBar[],
  key: Key,
): { readonly note: OwnNote; readonly read: number }[] {
  const { counts } = writeBars(before, bars, key);
  const lengths = new Map(
    (counts === '' ? [] : readCountsIn(counts, bars)).map(({ tick, length }) => [tick, length]),
  );
  return before.map((note) => ({ note, read: lengths.get(note.after) ?? note.length }));
}

function missingIn(
  keys: readonly TypedKey[],
  times: readonly { readonly at: number }[],
  last: number,
): FieldError | null {
  const struck = keys.filter(({ grace, joins }) => !grace && !joins);
  if (struck.length > times.length) {
    const { pitch, at, length } = struck[times.length];
    const text = `Letters without a count, from "${pitch.letter}" on: say when they are struck.`;
    return new FieldError('letters', new EntryError(text, at, length));
  }
  if (times.length > last + 1)
    return new FieldError(
      'counts',
      new EntryError('Counts without a letter: say which keys are struck.', times[last + 1].at, 1),
    );
  return null;
}
