import fc from 'fast-check';
import { strToU8 } from 'fflate';
import { openFile } from './formats';
import { seeded } from './chance';
import {
  parseChord,
  symbolOf,
  CHORD_TYPES,
  keyFromFifths,
  spellInKey,
  barTicks,
  type Metre,
  METRES,
  TICKS_PER_QUARTER,
  parsePitch,
} from './music';
import type { Turn } from './practice';
import { inWords, type Phrase } from './sentences';
import { emptySong, type Song } from './song';

// Songs for tests and measurements: made up by chance, but whole.

/** Rhythms in ticks that fill a quarter or more; 320 and 640 are triplets. */
const FIGURES: readonly (readonly number[])[] = [
  [960],
  [480, 480],
  [1440, 480],
  [240, 240, 480],
  [320, 320, 320],
  [1920],
  [640, 640, 640],
];
const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];

export { seeded };

/**
 * What of all that can be tried is tried: all by npm run unit:thorough, another third each time by npm test, a tenth for
 * each change by npm run mutants.
 */
const { isThorough, isMutating } = globalThis as { isThorough?: boolean; isMutating?: boolean };
const SHARE = isThorough ? 1 : isMutating ? 0.1 : 1 / 3;

/** How often a property is tried by chance, of the times it is tried by a thorough run. */
export const runs = (thorough: number): number => Math.ceil(thorough * SHARE);

/** How often lists so long were drawn from: each draw takes the next of every few, from a first one by chance. */
const drawn = new Map<number, number>();

/**
 * One of every few that follow one another, all in a thorough run: the first by chance, then in turn, so that each occurs
 * when it is drawn as often as there are few. Where changes are tried, which must meet the same tests, the first. What
 * fails says which it was.
 */
export function some<T>(cases: readonly T[]): T[] {
  const few = Math.round(1 / SHARE);
  const groups = Array.from({ length: Math.ceil(cases.length / few) }, (_, i) =>
    cases.slice(few * i, few * (i + 1)),
  );
  const turn = drawn.get(cases.length) ?? Math.floor(Math.random() * few);
  drawn.set(cases.length, turn + 1);
  return groups.map((group, i) => group[isMutating ? 0 : (turn + i) % group.length]);
}

interface RandomSongOptions {
  readonly bars: number;
  readonly changesPerBar: number;
  readonly seed: number;
  readonly lowest?: number;
  readonly highest?: number;
  /** By chance where none is given. */
  readonly metre?: Metre;
}

/** A song of so many bars with a melody, changes, sometimes lyrics and a pick-up. */
export function randomSong({
  bars,
  changesPerBar,
  seed,
  lowest = 62,
  highest = 81,
  metre: asked,
}: RandomSongOptions): Song {
  const chance = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)];
  const byChance = pick(METRES);
  const metre = asked ?? byChance;
  const key = keyFromFifths(Math.floor(chance() * 13) - 6, chance() < 0.5 ? 'major' : 'minor');
  const pickup = chance() < 0.4 ? Math.min(TICKS_PER_QUARTER, barTicks(metre) / 2) : 0;
  const whole = barTicks(metre);
  const end = pickup + bars * whole;
  const melody: Song['melody'][number][] = [];
  const hasLyrics = chance() < 0.5;
  let midi = Math.round((lowest + highest) / 2);
  for (let tick = 0; tick < end;) {
    for (const length of pick(FIGURES)) {
      if (tick >= end) break;
      const held = Math.min(length, end - tick);
      midi = Math.max(lowest, Math.min(highest, midi + Math.floor(chance() * 9) - 4));
      const rests = chance() < 0.08;
      const lyric =
        hasLyrics && chance() < 0.7 ? { text: `la${melody.length}`, syllabic: 'single' as const } : null;
      if (!rests)
        melody.push({
          id: `n${melody.length + 1}`,
          tick,
          length: held,
          pitch: spellInKey(midi, key),
          tiedToNext: false,
          lyric,
          grace: false,
        });
      tick += held;
    }
  }
  const count = bars * changesPerBar;
  const length = whole / changesPerBar;
  const changes = Array.from({ length: count }, (_, i) => ({
    id: `c${i + 1}`,
    tick: pickup + Math.round(i * length),
    length: Math.round((i + 1) * length) - Math.round(i * length),
    symbol: symbolOf(parseChord(pick(ROOTS) + pick(CHORD_TYPES).suffix)),
    given: true,
    layout: null,
  }));
  return {
    ...emptySong(`random-${seed}`, `Random ${seed}`),
    keyMap: [{ tick: 0, ...key }],
    metreMap: [{ ...(metre as Song['metreMap'][number]), tick: 0 }],
    tempoMap: [{ tick: 0, quartersPerMinute: 60 + Math.floor(chance() * 100) }],
    pickup,
    barCount: bars,
    melody,
    changes,
  };
}

/** Whole bars of 4/4 in C major: one melody note and one chord a bar. */
export function wholeBars(melody: readonly string[], chords: readonly string[]): Song {
  const length = 4 * TICKS_PER_QUARTER;
  return {
    ...emptySong('whole-bars', 'Whole bars'),
    barCount: melody.length,
    melody: melody.map((name, i) => ({
      id: `n${i}`,
      tick: i * length,
      length,
      pitch: parsePitch(name),
      tiedToNext: false,
      lyric: null,
      grace: false,
    })),
    changes: chords.map((symbol, i) => ({
      id: `c${i}`,
      tick: i * length,
      length,
      symbol,
      given: true,
      layout: null,
    })),
  };
}

/** Two bars that are sung: "tur-ning", half notes over C, and "low" over F. */
export function sungBars(): Song {
  const base = wholeBars(['C5', 'E5'], ['C', 'F']);
  const [first, second] = base.melody;
  const half = { ...first, length: 2 * TICKS_PER_QUARTER };
  return {
    ...base,
    melody: [
      { ...half, lyric: { text: 'tur', syllabic: 'begin' } },
      { ...half, id: 'half', tick: half.length, lyric: { text: 'ning', syllabic: 'end' } },
      { ...second, lyric: { text: 'low', syllabic: 'single' } },
    ],
  };
}

/** fast-check's random songs, small ones. */
export const songs = fc
  .record({ bars: fc.integer({ min: 1, max: 8 }), changesPerBar: fc.constantFrom(1, 2), seed: fc.nat(1e6) })
  .map(randomSong);

/** What is written of a song, and in what order it is played: without where its parts begin and what is chosen for them. */
export function writtenOf(song: Song) {
  const { melody, changes, words, barCount, pickup, metreMap, keyMap, tempoMap, playingOrder } = song;
  return { melody, changes, words, barCount, pickup, metreMap, keyMap, tempoMap, playingOrder };
}

/** A clean turn at the right hand of a part, ten seconds long; what a test is about differs. */
export function aTurn(differs: Partial<Turn> = {}): Turn {
  return {
    songId: 's',
    at: 1_700_000_000_000,
    card: 'p1|right|4',
    kind: 'right',
    fromPart: 1,
    toPart: 1,
    hands: 'right',
    level: 4,
    tempoPercent: 60,
    isClean: true,
    cleanShare: 1,
    apart: null,
    seconds: 10,
    ...differs,
  };
}

/** What a finding, or a note of a file that was read, says in words. */
export function textOf(
  told: { readonly says: readonly Phrase[] } | Song['imported'][number] | undefined,
): string {
  if (!told) return '';
  return ('says' in told ? told.says : [told.said as Phrase]).map(inWords).join(' ');
}

/** What its remedies offer, in words. */
export function offersOf({
  remedies,
}: {
  readonly remedies: readonly { readonly offer: Phrase }[];
}): string[] {
  return remedies.map(({ offer }) => inWords(offer));
}

/** What comes of a file when its likeliest tune is taken. Throws as `openFile` does. */
function songIn(name: string, bytes: Uint8Array, id: string): Song {
  const opened = openFile(name, bytes, id);
  return opened.kind === 'project' ? opened.song : opened.tunes[0].song;
}
export const readMidi = (bytes: Uint8Array, id: string, title: string): Song =>
  songIn(`${title}.mid`, bytes, id);
export const readMusicXml = (text: string, id: string, title: string): Song =>
  songIn(`${title}.musicxml`, strToU8(text), id);

/** What a field may hold that it should not; undefined: nothing. */
export const WRONG: readonly unknown[] = [
  undefined,
  null,
  'text',
  '',
  7.5,
  1e300,
  -1e9,
  NaN,
  true,
  [],
  {},
  [null],
  0,
  Infinity,
  'x'.repeat(5000),
  { length: 1 },
];

/** Each way to each value in a record, however deep. */
export function pathsIn(value: unknown, path: readonly string[] = []): string[][] {
  const isList = Array.isArray(value);
  if (!isList && Object.prototype.toString.call(value) !== '[object Object]') return [[...path]];
  const inside = Object.entries(value as object).flatMap(([key, inner]) => pathsIn(inner, [...path, key]));
  return path.length === 0 ? inside : [[...path], ...inside];
}

/** A record with another value somewhere; undefined: without it. */
export function withValue(value: unknown, [key, ...rest]: readonly string[], put: unknown): unknown {
  if (key === undefined) return put;
  const copy = (Array.isArray(value) ? [...value] : { ...(value as object) }) as Record<string, unknown>;
  const inner = withValue(copy[key], rest, put);
  if (inner === undefined) Reflect.deleteProperty(copy, key);
  else copy[key] = inner;
  return copy;
}

/** A key struck, in seconds. */
export interface Tone {
  readonly midi: number;
  readonly at: number;
  readonly lasts: number;
}

/** Struck strings, more or less: partials that die away, the higher the sooner, with noise of a room. */
export function strings(
  tones: readonly Tone[],
  { rate = 22_050, loud = 0.2, noise = 0.0005, cents = 0 } = {},
): Float32Array {
  const sound = new Float32Array(
    Math.ceil((Math.max(...tones.map(({ at, lasts }) => at + lasts)) + 0.7) * rate),
  );
  for (const { midi, at, lasts } of tones) {
    const hertz = 440 * 2 ** ((midi - 69 + cents / 100) / 12);
    const from = Math.round(at * rate);
    for (let partial = 1; partial <= 10 && partial * hertz < rate / 2; partial++)
      for (let i = 0; i < lasts * rate; i++) {
        const t = i / rate;
        const edge = Math.min(1, t / 0.003, (lasts - t) / 0.03);
        const dies = Math.exp(-t * (0.8 + partial) - 0.3 * partial);
        sound[from + i] += loud * edge * dies * Math.sin(2 * Math.PI * hertz * partial * t + partial);
      }
  }
  const random = seeded(9);
  return sound.map((x) => x + noise * (2 * random() - 1));
}
