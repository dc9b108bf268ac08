import { Interval } from 'tonal';
import {
  chroma,
  classAbove,
  classNameOf,
  fifthsOf,
  type Key,
  keyFromFifths,
  midiOf,
  movedSymbol,
  type Pitch,
  pitchAt,
  type PitchClass,
  scaleOf,
  spellInKey,
  transposePitch,
  withSignature,
} from '../music';
import type { Harmony, OwnBars, OwnPattern, Song } from './schema';

/** The twelve keys of a mode with the fewest accidentals, in half steps from C. */
export function twelveKeys(mode: Key['mode']): Key[] {
  const keys = Array.from({ length: 13 }, (_, i) => keyFromFifths(i - 6, mode));
  return Array.from({ length: 12 }, (_, semitones) => {
    const fitting = keys.filter((key) => chroma(key.tonic) === semitones);
    return fitting.reduce((best, key) => (Math.abs(fifthsOf(key)) < Math.abs(fifthsOf(best)) ? key : best));
  });
}

/**
 * The song in another key: melody and chords respelled by interval, pins and settled voicings carried along.
 * `semitones` says how far the keys go (−11 … 11) and must lead from the first key's tonic to the new one's.
 * Other keys of the song move by the same interval. `transpose(song in A minor, D minor, 5)`
 */
export function transpose(song: Song, to: Key, semitones: number): Song {
  const interval = intervalTo(song.keyMap[0].tonic, to.tonic, semitones);
  const keyAfter = (key: Key): Key =>
    withSignature({ tonic: classAbove(key.tonic, interval), mode: key.mode });
  const keyMap = song.keyMap.map((entry) => ({ tick: entry.tick, ...keyAfter(entry) }));
  const keysAfter = (keys: readonly number[]): number[] => keys.map((key) => key + semitones);
  const pinAfter = (pin: Song['pins'][number]): Song['pins'][number] => ({
    ...pin,
    keys: keysAfter(pin.keys),
  });
  const pitchAfter = (pitch: Pitch, key: Key = keyMap[0]): Pitch => {
    const midi = midiOf(pitch) + semitones;
    const moved = transposePitch(pitch, interval);
    const isWhole = midiOf(moved) === midi && Math.abs(moved.alter) < 2;
    return isWhole ? moved : simpleIn(midi, moved, key);
  };
  const symbolAfter = (symbol: string): string =>
    movedSymbol(symbol, (root) => plain(classAbove(root, interval)));
  const keyFrom = (tick: number): Key | undefined => keyMap.filter((entry) => entry.tick <= tick).at(-1);
  const noteAfter = (from: number, note: OwnBars['notes'][number]): OwnBars['notes'][number] => ({
    ...note,
    pitch: pitchAfter(note.pitch, keyFrom(from + note.after)),
    ...(note.over === undefined ? {} : { over: symbolAfter(note.over) }),
  });
  const harmonyAfter = ({ how, keys }: Harmony, tick: number): Harmony =>
    keys ? { how, keys: keys.map((pitch) => pitchAfter(pitch, keyFrom(tick))) } : { how };
  return {
    ...song,
    keyMap,
    melody: song.melody.map((note) => ({
      ...note,
      pitch: pitchAfter(note.pitch, keyFrom(note.tick)),
      ...(note.harmony ? { harmony: harmonyAfter(note.harmony, note.tick) } : {}),
      ...(note.harmonies
        ? { harmonies: note.harmonies.map((one) => one && harmonyAfter(one, note.tick)) }
        : {}),
    })),
    changes: song.changes.map((change) => ({
      ...change,
      symbol: symbolAfter(change.symbol),
    })),
    ownBars: song.ownBars.map((own) => ({
      ...own,
      notes: own.notes.map((note) => noteAfter(own.tick, note)),
    })),
    pins: song.pins.map(pinAfter),
    fingerPins: song.fingerPins.map((pin) => ({ ...pin, midi: pin.midi + semitones })),
    patterns: song.patterns.map((pattern) =>
      pattern.base === 'keys' ? lineMoved(pattern, semitones) : pattern,
    ),
    settled: song.settled.map((part) => ({
      ...part,
      voicings: part.voicings.map(pinAfter),
      keys: part.keys?.map((key) => ({ ...key, pitch: pitchAfter(key.pitch) })) ?? null,
      // Another key asks for other fingers: black keys lie elsewhere.
      fingers: [],
    })),
  };
}

/** A fixed line goes along with the song, as far as there are keys. */
function lineMoved(pattern: OwnPattern, semitones: number): OwnPattern {
  const moved = (key: OwnPattern['events'][number]['members'][number]): typeof key =>
    typeof key === 'number' ? Math.min(127, Math.max(1, key + semitones)) : key;
  return {
    ...pattern,
    events: pattern.events.map((event) => ({ ...event, members: event.members.map(moved) })),
  };
}

function simpleIn(midi: number, moved: PitchClass, key: Key): Song['melody'][number]['pitch'] {
  const inScale = scaleOf(key).some((p) => p.letter === moved.letter && p.alter === moved.alter);
  return inScale ? pitchAt(midi, moved) : spellInKey(midi, key);
}

/** Name of the interval between two tonics that spans so many half steps, down when negative. */
function intervalTo(from: PitchClass, to: PitchClass, semitones: number): string {
  const up = Interval.distance(`${classNameOf(from)}4`, `${classNameOf(to)}4`);
  const by = Interval.semitones(up) as number;
  const octaves = Math.round((semitones - by) / 12);
  if (by + 12 * octaves !== semitones)
    throw new RangeError(
      `${semitones} half steps do not lead from ${classNameOf(from)} to ${classNameOf(to)}.`,
    );
  const octave = octaves < 0 ? '-8P' : '8P';
  let interval = up;
  for (let i = 0; i < Math.abs(octaves); i++) interval = Interval.add(interval, octave) ?? interval;
  return interval;
}

/** Roots with two accidentals are written as their enharmonic: nobody reads E𝄫m. */
function plain(pitchClass: PitchClass): PitchClass {
  if (Math.abs(pitchClass.alter) < 2) return pitchClass;
  return spellInKey(60 + chroma(pitchClass), { tonic: { letter: 'C', alter: 0 }, mode: 'major' });
}

/** How far down (negative) or up a key lies from another by the shorter way, −5 … 6. */
export function nearestWay(from: Key, to: Key): number {
  const up = (chroma(to.tonic) - chroma(from.tonic) + 12) % 12;
  return up > 6 ? up - 12 : up;
}
