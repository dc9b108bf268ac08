import { barTicks, unitTicks, type Key, type Metre, midiOf, type Pitch } from '../music';
import { lastAtOrBefore, joinTies, type MelodyNote, type Song, type TuneFields, writtenBars } from '../song';
import { readCounts, writeCounts } from './counts';
import { EntryError, readLetters, type TypedKey, writeLetters } from './letters';

/** A tune as typed: letters, then counts. */
export interface TypedTune {
  readonly letters: string;
  readonly counts: string;
}

/** What typing has given so far. */
interface TypedResult {
  readonly fields: Pick<TuneFields, 'melody' | 'pickup' | 'barCount'>;
  /** What is still missing, with its place: letters without counts or counts without letters. */
  readonly missing: { readonly in: 'letters' | 'counts'; readonly error: EntryError } | null;
}

/** The melody of a song as letters and counts; reading them back gives the same notes. */
export function writeTune(song: Song): TypedTune {
  const notes = joinTies(song.melody);
  const struck = notes.filter((note) => !note.grace);
  return {
    letters: writeLetters(
      notes.map((note) => {
        const { pitch, grace } = note;
        return isTold(note)
          ? { pitch, grace, keys: [...(note.harmony?.keys ?? []), pitch].sort(byHeight) }
          : { pitch, grace };
      }),
      keyOf(song),
    ),
    counts: struck.length === 0 ? '' : writeCounts(struck, writtenBars(song)),
  };
}

/**
 * Reads a typed tune into a song's melody. Letters without counts get a beat each, so that they can be heard at
 * once; syllables stay with the notes in order. Throws {@link EntryError} for a letter or count that cannot be read:
 * `source` of the error tells which field.
 */
export function readTune(typed: TypedTune, song: Song, start?: Pitch): TypedResult {
  const keys = strikesOf(inField('letters', () => readLetters(typed.letters, keyOf(song), start)));
  const struck = keys.filter((key) => !key.grace);
  const words = joinTies(song.melody);
  if (typed.counts.trim() === '') return { fields: oneBeatEach(keys, song, words), missing: null };
  const bars = writtenBars(song);
  const metreOf = (bar: number): Song['metreMap'][number] =>
    lastAtOrBefore(
      song.metreMap,
      bars.find((b) => b.number === Math.max(1, bar))?.tick ?? bars[bars.length - 1].tick,
    );
  const rhythm = inField('counts', () => readCounts(typed.counts, metreOf));
  const times = rhythm.strikes.slice(0, struck.length);
  const melody = melodyOf(keys, times, words);
  const { pickup, barCount } = rhythm;
  return { fields: { melody, pickup, barCount }, missing: missingIn(struck, rhythm.strikes) };
}

/** An error of one of the two fields, said with the field. */
export class FieldError extends Error {
  constructor(
    readonly field: 'letters' | 'counts',
    readonly error: EntryError,
  ) {
    super(error.message);
    this.name = 'FieldError';
  }
}

/** What reads a field, its error said with the field. */
export function inField<T>(field: 'letters' | 'counts', read: () => T): T {
  try {
    return read();
  } catch (error) {
    if (error instanceof EntryError) throw new FieldError(field, error);
    throw error;
  }
}

/** A note of the tune, the highest of what is struck together, and the keys below it. */
function byHeight(a: Pitch, b: Pitch): number {
  return midiOf(a) - midiOf(b);
}

interface TypedStrike extends TypedKey {
  readonly beside: readonly Pitch[];
}

function strikesOf(keys: readonly TypedKey[]): TypedStrike[] {
  const strikes: TypedStrike[] = [];
  for (const key of keys) {
    const last = strikes.at(-1);
    if (!key.joins || !last) strikes.push({ ...key, beside: [] });
    else {
      const all = [...last.beside, last.pitch, key.pitch].sort(byHeight);
      const different = all.filter((pitch, i) => i === 0 || midiOf(pitch) !== midiOf(all[i - 1]));
      strikes[strikes.length - 1] = {
        ...last,
        pitch: different[different.length - 1],
        beside: different.slice(0, -1),
      };
    }
  }
  return strikes;
}

function keyOf(song: Song): Key {
  return song.keyMap[0];
}

function missingIn(
  struck: readonly TypedStrike[],
  strikes: readonly { readonly at: number }[],
): TypedResult['missing'] {
  if (struck.length > strikes.length) {
    const first = struck[strikes.length];
    const left = struck.length - strikes.length;
    const text = `${left} letter${left === 1 ? ' has' : 's have'} no count yet, from "${first.pitch.letter}" on.`;
    return { in: 'letters', error: new EntryError(text, first.at, first.length) };
  }
  if (strikes.length > struck.length) {
    const left = strikes.length - struck.length;
    const text = `${left} count${left === 1 ? ' has' : 's have'} no letter yet.`;
    return { in: 'counts', error: new EntryError(text, strikes[struck.length].at, 1) };
  }
  return null;
}

/** Notes as they were: their words and harmony notes stay with the notes in order. */
type Words = readonly Pick<MelodyNote, 'pitch' | 'lyric' | 'verses' | 'harmony' | 'harmonies'>[];

/** Keys below the note are told in letters with it: of what is struck together the highest is the tune. */
function isTold({ pitch, harmony }: Words[number]): boolean {
  const { how, keys = [] } = harmony ?? { how: 'none' };
  return how === 'keys' && keys.length > 0 && keys.every((key) => midiOf(key) < midiOf(pitch));
}

function melodyOf(
  keys: readonly TypedStrike[],
  times: readonly { readonly tick: number; readonly length: number }[],
  words: Words,
): MelodyNote[] {
  const melody: MelodyNote[] = [];
  let next = 0;
  for (const key of keys) {
    const time = times[next];
    // A grace note stands before the note it leads to; letters beyond the counts wait.
    if (!time) break;
    const index = melody.length;
    const before = words[index];
    const base = { id: `n${index + 1}`, tick: time.tick, pitch: key.pitch, tiedToNext: false };
    const told = key.beside.length > 0 ? { how: 'keys' as const, keys: [...key.beside] } : undefined;
    // Keys that are told no more are struck no more; what letters do not tell stays.
    const harmony = told ?? (before && !isTold(before) ? before.harmony : undefined);
    melody.push({
      ...base,
      length: key.grace ? 0 : time.length,
      lyric: before?.lyric ?? null,
      ...(before?.verses ? { verses: before.verses } : {}),
      grace: key.grace,
      ...(harmony ? { harmony } : {}),
      ...(before?.harmonies ? { harmonies: before.harmonies } : {}),
    });
    if (!key.grace) next++;
  }
  return melody;
}

function oneBeatEach(keys: readonly TypedStrike[], song: Song, words: Words): TypedResult['fields'] {
  const beat = unitTicks(song.metreMap[0]);
  const struck = keys.filter((key) => !key.grace);
  const melody = melodyOf(
    keys,
    struck.map((_, i) => ({ tick: i * beat, length: beat })),
    words,
  );
  const barCount = Math.max(1, Math.ceil(struck.length / song.metreMap[0].numerator));
  return { melody, pickup: 0, barCount };
}

/** The rhythm of a take in counts, whole bars of one metre from its first beat. */
export function countsOfTake({ melody }: { readonly melody: readonly MelodyNote[] }, metre: Metre): string {
  const whole = barTicks(metre);
  const last = melody[melody.length - 1];
  const count = last ? Math.max(1, Math.ceil((last.tick + 1) / whole)) : 1;
  const bars = Array.from({ length: count }, (_, i) => ({
    number: i + 1,
    tick: i * whole,
    length: whole,
    metre,
  }));
  return writeCounts(melody, bars);
}
