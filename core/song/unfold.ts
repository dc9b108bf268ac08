import { type Chord, ChordSymbolError, type Key, midiOf, parseChord } from '../music';
import { gotOrMade } from '../memory';
import { type Bar, barAt, lastAtOrBefore, writtenBars } from './bars';
import { ownBarsIn } from './ownBars';
import { type Change, type Harmony, type Lyric, type MelodyNote, type Song } from './schema';

/** A melody note as it is struck: ties joined, in played ticks. */
export interface PlayedNote extends MelodyNote {
  readonly midi: number;
  readonly writtenId: string;
}

/** A change in played ticks. On a second pass its id ends in "@2", so that it can be pinned on its own. */
export interface PlayedChange extends Change {
  readonly writtenId: string;
  /** Null for N.C. and for symbols that cannot be read. */
  readonly chord: Chord | null;
  readonly unclear: string | null;
}

export interface PlayedBar extends Bar {
  /** Written bar number; the same bar comes back in repeats. */
  readonly written: number;
  readonly pass: number;
}

/** The song as it sounds from start to end, repeats unfolded. */
export interface PlayedSong {
  readonly bars: readonly PlayedBar[];
  readonly endTick: number;
  readonly melody: readonly PlayedNote[];
  readonly changes: readonly PlayedChange[];
  /** Words sung to a melody that is not written down. */
  readonly words: Song['words'];
  /** What the pianist wrote by hand, in played ticks; what is for one time only comes after what is for each. */
  readonly ownBars: Song['ownBars'];
  readonly sections: Song['sections'];
  readonly keyMap: Song['keyMap'];
  readonly tempoMap: readonly PlayedTempo[];
}

/** A tempo from a tick on. */
export type PlayedTempo = Song['tempoMap'][number] & {
  /** A step of a slowing end. */
  readonly isSlowing?: true;
};

/** What of a song its unfolding depends on. */
type Unfoldable = Pick<
  Song,
  | 'melody'
  | 'changes'
  | 'words'
  | 'ownBars'
  | 'sections'
  | 'keyMap'
  | 'metreMap'
  | 'tempoMap'
  | 'playingOrder'
  | 'pickup'
  | 'barCount'
>;

/** Unfolds the playing order; a song without one is played straight through. */
export function unfold(song: Unfoldable): PlayedSong {
  const bars = writtenBars(song);
  const order =
    song.playingOrder.length > 0 ? song.playingOrder : [{ fromBar: bars[0].number, toBar: song.barCount }];
  const melody = joinTies(song.melody);
  const passes = new Map<number, number>();
  const played = {
    bars: [] as PlayedBar[],
    melody: [] as PlayedNote[],
    changes: [] as PlayedChange[],
    words: [] as Song['words'][number][],
    ownBars: [] as Song['ownBars'][number][],
    sections: [] as Song['sections'][number][],
    keyMap: [] as Song['keyMap'][number][],
    tempoMap: [] as Song['tempoMap'][number][],
  };
  let at = 0;
  let sounding: Unfoldable['sections'][number] | null = null;
  for (const [index, span] of order.entries()) {
    const inSpan = bars.filter((bar) => bar.number >= span.fromBar && bar.number <= span.toBar);
    if (inSpan.length === 0) continue;
    const from = inSpan[0].tick;
    const last = inSpan[inSpan.length - 1];
    const to = last.tick + last.length;
    const shift = at - from;
    for (const bar of inSpan) {
      const pass = (passes.get(bar.number) ?? 0) + 1;
      passes.set(bar.number, pass);
      played.bars.push({ ...bar, number: bar.number, tick: bar.tick + shift, written: bar.number, pass });
    }
    // The pass is that of the bar a thing stands in: spans may overlap in part.
    const mark = (tick: number): string => passMark(passes.get(barAt(inSpan, tick).number) ?? 1);
    // Where the music jumps, what was held is let go.
    const goesOn = order[index + 1] === undefined || order[index + 1].fromBar === span.toBar + 1;
    const held = (n: MelodyNote): MelodyNote =>
      goesOn ? n : { ...n, length: Math.min(n.length, to - n.tick) };
    played.melody.push(...slice(melody, from, to).map((n) => playedNote(held(n), shift, mark(n.tick))));
    played.words.push(...slice(song.words, from, to).map((w) => ({ ...w, tick: w.tick + shift })));
    played.changes.push(
      ...slice(song.changes, from, to).map((c) => playedChange(c, shift, mark(c.tick), to)),
    );
    for (const own of song.ownBars) {
      const isMeant = (bar: Bar): boolean => own.pass === null || passes.get(bar.number) === own.pass;
      played.ownBars.push(
        ...stretchesOf(inSpan.filter(isMeant)).flatMap(([begins, ends]) => {
          const piece = ownBarsIn(own, begins, ends, goesOn);
          return piece ? [{ ...piece, tick: piece.tick + shift }] : [];
        }),
      );
    }
    const within = slice(song.sections, from, to);
    const there = song.sections.findLast(({ tick }) => tick <= from);
    // A span begins in the middle of a section where another was played before it: the music goes on in it.
    if (there && sounding && there !== sounding && there.tick < from)
      played.sections.push({ ...there, id: `${there.id}${mark(from)}r${index}`, tick: at });
    played.sections.push(...within.map((s) => ({ ...s, id: s.id + mark(s.tick), tick: s.tick + shift })));
    sounding = within.at(-1) ?? there ?? sounding;
    played.keyMap.push(...sliceMap(song.keyMap, from, to, shift));
    played.tempoMap.push(...sliceMap(song.tempoMap, from, to, shift));
    at += to - from;
  }
  renumber(played.bars);
  // What is written for one time wins over what is for each.
  played.ownBars.sort((a, b) => Number(a.pass !== null) - Number(b.pass !== null));
  return { ...played, words: wordsApart(played), endTick: at };
}

/** Where bars that follow one another begin and end. */
function stretchesOf(bars: readonly Bar[]): [from: number, to: number][] {
  const stretches: [number, number][] = [];
  for (const { tick, length } of bars) {
    const last = stretches.at(-1);
    if (last?.[1] === tick) last[1] = tick + length;
    else stretches.push([tick, tick + length]);
  }
  return stretches;
}

/** Words of a chart, but for bars in which the tune is sung to words of its own. */
function wordsApart({ bars, melody, words }: Pick<PlayedSong, 'bars' | 'melody' | 'words'>): Song['words'] {
  if (words.length === 0 || bars.length === 0) return words;
  const sung = new Set(melody.flatMap(({ tick, lyric }) => (lyric ? [barAt(bars, tick)] : [])));
  return words.filter(({ tick }) => !sung.has(barAt(bars, tick)));
}

function passMark(pass: number): string {
  return pass > 1 ? `@${pass}` : '';
}

/** The time a played id is of, from 1: "c3@2" is the second. */
export function timeOf(id: string): number {
  const at = id.lastIndexOf('@');
  return at < 0 ? 1 : Number(id.slice(at + 1));
}

/** A played id as it is written, without its pass: "c3@2" is c3. */
export function writtenId(id: string): string {
  const at = id.lastIndexOf('@');
  return at < 0 ? id : id.slice(0, at);
}

/** Played bars count on from 1 whatever is repeated, so that "bar 12" is one place. */
function renumber(bars: PlayedBar[]): void {
  const first = bars[0]?.number === 0 ? 0 : 1;
  bars.forEach((bar, index) => (bars[index] = { ...bar, number: first + index }));
}

function slice<T extends { readonly tick: number }>(list: readonly T[], from: number, to: number): T[] {
  return list.filter((item) => item.tick >= from && item.tick < to);
}

function sliceMap<T extends { readonly tick: number }>(
  map: readonly T[],
  from: number,
  to: number,
  shift: number,
): T[] {
  const first = { ...lastAtOrBefore(map, from), tick: from + shift };
  const later = map.filter((entry) => entry.tick > from && entry.tick < to);
  return [first, ...later.map((entry) => ({ ...entry, tick: entry.tick + shift }))];
}

/** A written thing as it was made for one place, and for others it also stands in: one for each pass, mostly one. */
interface Placed<T> {
  readonly shift: number;
  readonly mark: string;
  readonly length: number;
  readonly thing: T;
  readonly others: Placed<T> | undefined;
}

/** Made once for the same written note or change in the same place: what an edit did not touch keeps its identity. */
const notesMade = new WeakMap<MelodyNote, Placed<PlayedNote>>();
const changesMade = new WeakMap<Change, Placed<PlayedChange>>();

function placed<W extends object, T>(
  made: WeakMap<W, Placed<T>>,
  written: W,
  [shift, mark, length]: readonly [shift: number, mark: string, length: number],
  make: () => T,
): T {
  const others = made.get(written);
  for (let known = others; known; known = known.others)
    if (known.shift === shift && known.mark === mark && known.length === length) return known.thing;
  const thing = make();
  made.set(written, { shift, mark, length, thing, others });
  return thing;
}

function playedNote(note: MelodyNote, shift: number, mark: string): PlayedNote {
  return placed(notesMade, note, [shift, mark, note.length], () => makeNote(note, shift, mark));
}

function makeNote(note: MelodyNote, shift: number, mark: string): PlayedNote {
  const { id, tick, length, pitch, tiedToNext, grace } = note;
  const time = timeOf(mark);
  const [lyric, harmony] = [lyricOf(note, time), harmonyAt(note, time)];
  const midi = midiOf(pitch);
  const made = { id: id + mark, writtenId: id, tick: tick + shift, length, pitch, midi };
  const played = { ...made, tiedToNext, lyric, grace };
  return harmony ? { ...played, harmony } : played;
}

/** What is sung to a note the time it is played, from 1: the words of that verse, else the first again. */
export function lyricOf(
  { lyric, verses = [] }: Pick<MelodyNote, 'lyric' | 'verses'>,
  time: number,
): Lyric | null {
  const own = time === 1 ? lyric : verses[time - 2];
  return own === undefined ? lyric : own;
}

/** What is struck with a note the time it is played, from 1: its own, else that of the first time; null: what its level gives it. */
export function harmonyAt(
  { harmony, harmonies = [] }: Pick<MelodyNote, 'harmony' | 'harmonies'>,
  time: number,
): Harmony | null {
  return (time > 1 ? harmonies[time - 2] : null) ?? harmony ?? null;
}

function playedChange(change: Change, shift: number, mark: string, spanEnd: number): PlayedChange {
  const length = Math.min(change.length, spanEnd - change.tick);
  return placed(changesMade, change, [shift, mark, length], () => makeChange(change, shift, mark, length));
}

function makeChange(change: Change, shift: number, mark: string, length: number): PlayedChange {
  const base = { ...change, id: change.id + mark, writtenId: change.id, tick: change.tick + shift, length };
  try {
    return { ...base, chord: parseChord(change.symbol), unclear: null };
  } catch (error) {
    if (error instanceof ChordSymbolError) return { ...base, chord: null, unclear: error.message };
    throw error;
  }
}

/** Notes held over by ties become one note of the whole length. */
export function joinTies(melody: readonly MelodyNote[]): MelodyNote[] {
  const joined: MelodyNote[] = [];
  for (const note of melody) {
    const last = joined[joined.length - 1];
    const continues =
      last?.tiedToNext && last.tick + last.length === note.tick && midiOf(last.pitch) === midiOf(note.pitch);
    if (continues) {
      joined[joined.length - 1] = { ...last, length: last.length + note.length, tiedToNext: note.tiedToNext };
    } else {
      joined.push(note);
    }
  }
  return joined;
}

const keys = new WeakMap<object, Key>();

/** The key in force at a played tick: the same object as long as the same entry of the map is. */
export function keyAt(played: PlayedSong, tick: number): Key {
  const entry = lastAtOrBefore(played.keyMap, tick);
  return gotOrMade(keys, entry, () => ({ tonic: entry.tonic, mode: entry.mode }));
}

/** When each note and change (by played id) begins. */
export function onsetsOf({ melody, changes }: Pick<PlayedSong, 'melody' | 'changes'>): Map<string, number> {
  return new Map([...melody, ...changes].map((item) => [item.id, item.tick]));
}

/** Every syllable sung with its tick, in time: those of the melody, and words sung to one that is not written down. */
export function sungIn({ melody, words }: Pick<PlayedSong, 'melody' | 'words'>): PlayedSong['words'] {
  const sung = melody.flatMap(({ tick, lyric }) => (lyric ? [{ tick, ...lyric }] : []));
  return [...sung, ...words].sort((a, b) => a.tick - b.tick);
}
