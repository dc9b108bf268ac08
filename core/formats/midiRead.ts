import { cutTo, lastAtOrBefore, type Lyric, type Song } from '../song';
import { stored } from './stored';
import { imports } from '../sentences';
import { findKeys } from '../harmony';
import {
  barTicks,
  fifthsOf,
  isModal,
  type Key,
  keyFromFifths,
  spellInKey,
  TICKS_PER_QUARTER,
} from '../music';
import { gridSaid, melodyNote, movedSaid, quantise, type Quantised, withoutBreaths } from '../takes';
import { candidatesOf, type TuneCandidate } from './candidates';
import { FileError } from './fileError';
import { type MidiContent, type MidiTrack, readMidiEvents } from './midiEvents';
import { inOwnTime } from './midiPlayed';
import { anchored } from './musicxmlPieces';
import type { ReadPart, ScoreNote } from './score';

/** Written files stand on this grid, in ticks: a twenty-fourth of a quarter. */
const FINE_GRID = TICKS_PER_QUARTER / 24;
const NEAR_TICKS = 3;
/** A file whose onsets stand on the fine grid this often was written, not played. */
const WRITTEN_SHARE = 0.97;
/** In a written file only a gap shorter than this is a player's lift and not a rest. */
const LIFT_TICKS = TICKS_PER_QUARTER / 16;
const LIFT_SHARE = 0.1;
const MOST_BARS = 4000;

/** Every line of a MIDI file that could be the melody, the likeliest first. Throws {@link FileError}. */
export function readMidiTunes(bytes: Uint8Array, songId: string, fallbackTitle: string): TuneCandidate[] {
  const written = readMidiEvents(bytes);
  const content = isPlayed(written) ? inOwnTime(written) : written;
  const tracks = content.tracks.filter((track) => track.keys.length > 0);
  if (tracks.length === 0)
    throw new FileError(
      'The MIDI file holds no notes',
      '',
      'Choose a file with a melody; drums are not read.',
    );
  const timed = tracks.map((track) => inTime(track, content));
  const layout = layoutOf(content, timed);
  const keyMap = keysOf(content, timed, layout);
  const parts = timed.map((track) => partOf(track, layout, keyMap));
  if (parts.length > 1) parts.push(everything(parts));
  const swung = timed.some((track) => track.quantised?.grid === 'swing');
  const feel: Song['feel'] | undefined = swung ? { kind: 'swing', ratio: 2 } : undefined;
  return candidatesOf({ title: content.title, parts, feel }, songId, fallbackTitle);
}

interface TimedTrack {
  readonly name: string;
  readonly keys: readonly {
    readonly tick: number;
    readonly length: number;
    readonly midi: number;
    readonly lyric: string | null;
  }[];
  /** Null where the file was written exactly and nothing was moved. */
  readonly quantised: Quantised | null;
  readonly secondsPerBeat: number;
}

/** Whether nothing of a file stands on the grid of what is written. */
function isPlayed({ tracks }: MidiContent): boolean {
  const keys = tracks.flatMap((track) => track.keys);
  return keys.filter((key) => offGrid(key.start) <= NEAR_TICKS).length < WRITTEN_SHARE * keys.length;
}

/** A track on a grid: as it stands when it was written, quantised when it was played. */
function inTime(track: MidiTrack, content: MidiContent): TimedTrack {
  const secondsPerBeat = 60 / (content.tempi[0]?.quartersPerMinute ?? 120);
  const onGrid = track.keys.filter((key) => offGrid(key.start) <= NEAR_TICKS).length;
  if (onGrid >= WRITTEN_SHARE * track.keys.length) {
    const keys = track.keys.map((key) => {
      const tick = rounded(key.start);
      return { tick, length: Math.max(1, rounded(key.end) - tick), midi: key.midi, lyric: key.lyric };
    });
    return { name: track.name, keys, quantised: null, secondsPerBeat };
  }
  const played = track.keys.map((key) => ({
    onset: key.start / TICKS_PER_QUARTER,
    end: key.end / TICKS_PER_QUARTER,
    midi: key.midi,
  }));
  const quantised = quantise(played, secondsPerBeat);
  const sung = track.keys.filter((key) => key.lyric !== null);
  const keys = quantised.keys.map((key) => ({
    tick: Math.max(0, key.tick),
    length: key.length,
    midi: key.midi,
    lyric:
      sung.find((s) => s.midi === key.midi && Math.abs(s.start - key.tick) < TICKS_PER_QUARTER / 2)?.lyric ??
      null,
  }));
  return { name: track.name, keys, quantised, secondsPerBeat };
}

function offGrid(ticks: number): number {
  return Math.abs(ticks - FINE_GRID * Math.round(ticks / FINE_GRID));
}

/** To the fine grid where it is near, else to the nearest tick. */
function rounded(ticks: number): number {
  return offGrid(ticks) <= NEAR_TICKS ? FINE_GRID * Math.round(ticks / FINE_GRID) : Math.round(ticks);
}

interface BarLayout {
  /** Silent ticks before the first sounding bar, taken off. */
  readonly skipped: number;
  readonly pickup: number;
  readonly metreMap: Song['metreMap'];
  readonly tempoMap: Song['tempoMap'];
  readonly barCount: number;
  readonly end: number;
}

const COMMON = { numerator: 4, denominator: 4 } as const;

/** Where the bars lie: tick 0 is the first that sounds, a short first bar is the pick-up. */
function layoutOf(content: MidiContent, tracks: readonly TimedTrack[]): BarLayout {
  const onsets = tracks.flatMap((track) => track.keys.map((key) => key.tick));
  const first = onsets.reduce((least, tick) => Math.min(least, tick), Infinity);
  const last = tracks.reduce(
    (end, t) => t.keys.reduce((e, key) => Math.max(e, key.tick + key.length), end),
    0,
  );
  const metres = content.metres.flatMap(possibleMetre);
  if (metres.length === 0 || metres[0].tick > 0) metres.unshift({ tick: 0, ...COMMON });
  const [opening, next] = metres;
  const shortFirstBar =
    next !== undefined && next.tick === barTicks(opening) && barTicks(opening) < barTicks(next);
  let [skipped, pickup] = [0, 0];
  if (shortFirstBar && first < next.tick) {
    skipped = first;
    pickup = next.tick - first;
    metres.splice(0, 2, { ...next, tick: 0 });
  } else {
    // Bars are counted from where the metre in force at the first note begins.
    const there = lastAtOrBefore(metres, first);
    const within = (first - there.tick) % barTicks(there);
    skipped = first;
    pickup = within === 0 ? 0 : barTicks(there) - within;
  }
  const metreMap = anchored(
    metres.map((m) => ({ ...m, tick: Math.max(0, m.tick - skipped) })),
    [{ tick: 0, ...COMMON }],
  );
  const tempi = content.tempi
    .filter((t) => t.quartersPerMinute >= 10 && t.quartersPerMinute <= 400)
    .map((t) => ({
      tick: Math.max(0, Math.round(t.tick - skipped)),
      quartersPerMinute: Math.round(t.quartersPerMinute * 100) / 100,
    }));
  const tempoMap = anchored(tempi, [{ tick: 0, quartersPerMinute: 120 }]);
  let [end, barCount] = [pickup, 0];
  while ((end < last - skipped || barCount === 0) && barCount < MOST_BARS) {
    end += barTicks(lastAtOrBefore(metreMap, end));
    barCount++;
  }
  return { skipped, pickup, metreMap, tempoMap, barCount, end };
}

function possibleMetre({ tick, numerator, denominator }: MidiContent['metres'][number]): Song['metreMap'] {
  const unit = ([1, 2, 4, 8, 16, 32] as const).find((d) => d === denominator);
  const isPossible = unit !== undefined && numerator >= 1 && numerator <= 64;
  return isPossible ? [{ tick: Math.round(tick), numerator, denominator: unit }] : [];
}

/** By so much a key must fit the notes better than the one a file begins with, to be believed instead. */
const FITS_BETTER = 0.12;

/**
 * The keys written in the file, else the likeliest key of its notes. A single signature may be what a program writes when
 * nobody chose one, C major, or have the wrong mode: the notes are asked.
 */
function keysOf(content: MidiContent, tracks: readonly TimedTrack[], { skipped }: BarLayout): Song['keyMap'] {
  const given = content.keys
    .filter((key) => Number.isInteger(key.fifths) && Math.abs(key.fifths) <= 7)
    .map(({ tick, fifths, isMinor }) => ({
      tick: Math.max(0, Math.round(tick - skipped)),
      ...keyFromFifths(fifths, isMinor ? 'minor' : 'major'),
    }));
  if (given.length > 1) return anchored(given, given);
  const inC: Key = { tonic: { letter: 'C', alter: 0 }, mode: 'major' };
  const melody = tracks
    .flatMap((t) => t.keys.map((key, i) => melodyNote(`k${i}`, key, inC)))
    .sort((a, b) => a.tick - b.tick);
  const [written] = given;
  if (!written) return [{ tick: 0, ...findKeys({ melody, changes: [] })[0].key }];
  const isUsual = fifthsOf(written) === 0 && written.mode === 'major';
  const found = findKeys({ melody, changes: [] }, isUsual ? undefined : fifthsOf(written)).filter(
    ({ key }) => !isModal(key.mode),
  );
  const fits = found.find(({ key }) => fifthsOf(key) === fifthsOf(written) && key.mode === written.mode)?.fit;
  const [best] = found;
  const isBetter = best !== undefined && best.fit > (fits ?? -Infinity) + FITS_BETTER;
  return isBetter ? [{ tick: 0, ...best.key }] : anchored(given, given);
}

function partOf(track: TimedTrack, layout: BarLayout, keyMap: Song['keyMap']): ReadPart {
  const { skipped, pickup, metreMap, tempoMap, barCount, end } = layout;
  const filled = track.quantised
    ? withoutBreaths(track.keys)
    : withoutBreaths(track.keys, LIFT_TICKS, LIFT_SHARE);
  const keys = isOneLine(track.keys) ? filled : track.keys;
  const notes = keys.map((key): ScoreNote => {
    const tick = Math.max(0, key.tick - skipped);
    return {
      tick,
      length: key.length,
      pitch: spellInKey(key.midi, lastAtOrBefore(keyMap, tick)),
      midi: key.midi,
      lyric: lyricOf(key.lyric),
      tiedToNext: false,
      isHeldOn: false,
      grace: false,
      staff: '1',
      voice: '1',
    };
  });
  return {
    name: track.name,
    notes,
    chords: [],
    sections: [],
    keyMap,
    mode: 'major-or-minor',
    metreMap,
    tempoMap,
    pickup,
    barCount,
    end,
    signs: [],
    imported: movedFinding(track),
  };
}

function movedFinding({ quantised, secondsPerBeat }: TimedTrack): Song['imported'] {
  if (!quantised) return [];
  const said = imports.played(movedSaid(quantised, secondsPerBeat), gridSaid(quantised.grid));
  return [{ tick: 0, said: stored(said) }];
}

function isOneLine(keys: readonly { readonly tick: number; readonly length: number }[]): boolean {
  return keys.every((key, i) => i === 0 || key.tick >= keys[i - 1].tick + keys[i - 1].length - NEAR_TICKS);
}

function everything(parts: readonly ReadPart[]): ReadPart {
  const notes = parts.flatMap((part) => part.notes).sort((a, b) => a.tick - b.tick || a.midi - b.midi);
  return {
    ...parts[0],
    name: 'All tracks',
    notes,
    imported: parts.flatMap((p) => p.imported),
    isEverything: true,
  };
}

/** "wa-" begins or goes on with a word, "ter" ends it. */
function lyricOf(text: string | null): Lyric | null {
  const trimmed = text?.replace(/[\r\n/\\]/g, '').trim() ?? '';
  if (!trimmed) return null;
  const goesOn = trimmed.endsWith('-');
  return { text: cutTo(trimmed.replace(/-$/, ''), 200) || '-', syllabic: goesOn ? 'begin' : 'single' };
}
