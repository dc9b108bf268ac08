import { cutTo } from './texts';
import { type Key, LETTERS, midiOf, type Pitch, scaleOf, spellInKey, staffStep } from '../music';
import { lastAtOrBefore } from './bars';
import { lyricOf } from './unfold';
import type { Harmony, Lyric, MelodyNote, Song } from './schema';

/** What can be done to notes of the melody; ids are those of the written song. */
export type NoteEdit =
  /** By letter steps of the key (`steps`), or by half steps (12: an octave). */
  | {
      readonly kind: 'notes-moved';
      readonly ids: readonly string[];
      readonly steps?: number;
      readonly semitones?: number;
    }
  | { readonly kind: 'notes-shifted'; readonly ids: readonly string[]; readonly ticks: number }
  | { readonly kind: 'notes-lengthened'; readonly ids: readonly string[]; readonly ticks: number }
  | { readonly kind: 'note-split'; readonly id: string }
  | { readonly kind: 'notes-joined'; readonly ids: readonly string[] }
  | { readonly kind: 'note-tied'; readonly id: string; readonly tied: boolean }
  | { readonly kind: 'notes-deleted'; readonly ids: readonly string[] }
  | { readonly kind: 'phrase-copied'; readonly ids: readonly string[]; readonly toTick: number }
  | {
      readonly kind: 'note-added';
      readonly tick: number;
      readonly length: number;
      readonly pitch: Pitch;
    }
  /** What is struck with them; null: what their level gives them. */
  | {
      readonly kind: 'notes-harmonised';
      readonly ids: readonly string[];
      readonly harmony: Harmony | null;
      /** For the second or a further time alone; null is then as the first time. */
      readonly time?: number;
    }
  | { readonly kind: 'note-respelled'; readonly id: string; readonly pitch: Pitch }
  /** The words from one note to another, typed anew; syllables for which there is no note are kept aside. */
  | {
      readonly kind: 'words-typed';
      readonly fromId: string;
      readonly toId: string;
      readonly text: string;
      /** The time its bars are played that they are sung, from 1; absent: the first, and each that has none of its own. */
      readonly verse?: number;
      /** Spare words of other places, which stay; those of this one follow them. */
      readonly others?: string;
    };

/** Letters of spare words a song keeps. */
const MOST_SPARE = 4000;
/** A note is never made shorter than this: a thirty-second. */
const SHORTEST_TICKS = 120;
/** Keys of the longest piano, A0 to C8. */
const LOWEST_KEY = 21;
const HIGHEST_KEY = 108;

/** The song after an edit of its notes; what the edit cannot do leaves the song as it is. */
export function applyNoteEdit(song: Song, edit: NoteEdit): Song {
  switch (edit.kind) {
    case 'notes-moved':
      return mapNotes(song, edit.ids, (note) => moved(song, note, edit.steps ?? 0, edit.semitones ?? 0));
    case 'notes-shifted':
      return shifted(song, edit.ids, edit.ticks);
    case 'notes-lengthened':
      return lengthened(song, edit.ids, edit.ticks);
    case 'note-split':
      return split(song, edit.id);
    case 'notes-joined':
      return joined(song, edit.ids);
    case 'note-tied':
      return mapNotes(song, [edit.id], (note) => ({ ...note, tiedToNext: edit.tied && canTie(song, note) }));
    case 'notes-deleted':
      return withMelody(
        song,
        song.melody.filter((note) => !edit.ids.includes(note.id)),
      );
    case 'phrase-copied':
      return copied(song, edit.ids, edit.toTick);
    case 'note-added':
      return added(song, edit);
    case 'notes-harmonised':
      return mapNotes(song, edit.ids, (note) => harmonised(note, edit));
    case 'note-respelled':
      return mapNotes(song, [edit.id], (note) => ({ ...note, pitch: edit.pitch }));
    case 'words-typed':
      return withWords(song, edit);
  }
}

/** A pitch moved by letters of the key, and by half steps spelled in the key. */
export function movePitch(pitch: Pitch, key: Key, steps: number, semitones: number): Pitch {
  let result = pitch;
  if (steps !== 0) {
    const step = staffStep(pitch) + steps;
    const letter = LETTERS[((step % 7) + 7) % 7];
    const alter = scaleOf(key).find((p) => p.letter === letter)?.alter ?? 0;
    result = { letter, alter, octave: Math.floor(step / 7) };
  }
  if (semitones % 12 === 0) return { ...result, octave: result.octave + semitones / 12 };
  return spellInKey(midiOf(result) + semitones, key);
}

function moved(song: Song, note: MelodyNote, steps: number, semitones: number): MelodyNote {
  const pitch = movePitch(note.pitch, lastAtOrBefore(song.keyMap, note.tick), steps, semitones);
  const midi = midiOf(pitch);
  return midi < LOWEST_KEY || midi > HIGHEST_KEY ? note : { ...note, pitch };
}

/** Later or earlier, the whole selection together, no further than its neighbours allow. */
function shifted(song: Song, ids: readonly string[], ticks: number): Song {
  const chosen = song.melody.filter((note) => ids.includes(note.id));
  if (chosen.length === 0) return song;
  const rest = song.melody.filter((note) => !ids.includes(note.id) && !note.grace);
  const from = chosen[0].tick;
  const to = endOf(chosen);
  const before = rest.filter((n) => n.tick < from).at(-1);
  const after = rest.find((n) => n.tick >= from);
  const earliest = before ? before.tick + Math.min(before.length, SHORTEST_TICKS) : 0;
  const most = after ? after.tick - to : Infinity;
  const by = Math.max(earliest - from, Math.min(ticks, Math.max(0, most)));
  const shiftedNotes = mapNotes(song, ids, (note) => ({ ...note, tick: note.tick + by }));
  // A note that was sounding gives way to what moved into it.
  return before && before.tick + before.length > from + by
    ? mapNotes(shiftedNotes, [before.id], (note) => ({ ...note, length: from + by - note.tick }))
    : shiftedNotes;
}

function lengthened(song: Song, ids: readonly string[], ticks: number): Song {
  const melody = song.melody.filter((note) => !note.grace);
  return mapNotes(song, ids, (note) => {
    if (note.grace) return note;
    const next = melody.find((other) => other.tick > note.tick);
    const most = next ? next.tick - note.tick : Infinity;
    const length = Math.min(most, Math.max(SHORTEST_TICKS, note.length + ticks));
    return { ...note, length, tiedToNext: note.tiedToNext && length === most };
  });
}

/** Two notes of half the length; the syllable stays with the first. */
function split(song: Song, id: string): Song {
  const note = song.melody.find((n) => n.id === id);
  if (!note || note.length < 2 * SHORTEST_TICKS) return song;
  const first = Math.floor(note.length / 2);
  const { verses: _sung, ...alike } = note;
  const second: MelodyNote = {
    ...alike,
    id: freshId(song, 'n'),
    tick: note.tick + first,
    length: note.length - first,
    lyric: null,
  };
  return withMelody(song, [
    ...song.melody.map((n) => (n.id === id ? { ...n, length: first, tiedToNext: false } : n)),
    second,
  ]);
}

/** One note from the first to the end of the last, at the pitch and with the words of the first. */
function joined(song: Song, ids: readonly string[]): Song {
  const chosen = song.melody.filter((note) => ids.includes(note.id) && !note.grace);
  if (chosen.length < 2) return song;
  const [first] = chosen;
  const last = chosen[chosen.length - 1];
  const lyric = first.lyric ?? chosen.find((n) => n.lyric)?.lyric ?? null;
  const whole = { ...first, length: endOf(chosen) - first.tick, lyric, tiedToNext: last.tiedToNext };
  const rest = song.melody.filter((n) => n.tick < first.tick || n.tick > last.tick);
  return withMelody(song, [...rest, whole]);
}

/** A note can be held on only into the same key, struck exactly where it ends. */
function canTie(song: Song, note: MelodyNote): boolean {
  return song.melody.some(
    (other) => other.tick === note.tick + note.length && midiOf(other.pitch) === midiOf(note.pitch),
  );
}

/** The notes again from another place on; what stood there gives way. */
function copied(song: Song, ids: readonly string[], toTick: number): Song {
  const chosen = song.melody.filter((note) => ids.includes(note.id));
  if (chosen.length === 0) return song;
  const by = toTick - chosen[0].tick;
  const end = endOf(chosen) + by;
  const kept = cleared(song.melody, toTick, end);
  let number = freshNumber(song, 'n');
  const copies = chosen.map(({ verses: _sung, ...note }) => ({
    ...note,
    id: `n${number++}`,
    tick: note.tick + by,
    lyric: null,
  }));
  return withMelody(song, [...kept, ...copies]);
}

function added(song: Song, { tick, length, pitch }: Extract<NoteEdit, { kind: 'note-added' }>): Song {
  const kept = cleared(song.melody, tick, tick + length);
  const note = { id: freshId(song, 'n'), tick, length, pitch, tiedToNext: false, lyric: null, grace: false };
  return withMelody(song, [...kept, note]);
}

/** The melody with a stretch emptied: notes inside go, a note reaching into it is cut short. */
export function cleared(melody: readonly MelodyNote[], from: number, to: number): MelodyNote[] {
  return melody
    .filter((note) => note.tick < from || note.tick >= to)
    .map((note) =>
      note.tick < from && note.tick + note.length > from
        ? { ...note, length: from - note.tick, tiedToNext: false }
        : note,
    );
}

/**
 * Syllables from text typed through: words apart by spaces, syllables by hyphens, "_" lets the syllable before
 * go on over a note. `syllablesOf('wa-ter runs') // => wa (begin), ter (end), runs (single)`
 */
export function syllablesOf(text: string): (Lyric | null)[] {
  return text
    .split(/\s+/)
    .filter(Boolean)
    .flatMap((word) => {
      if (/^_+$/.test(word)) return [...word].map(() => null);
      const pieces = word.split('-').filter(Boolean);
      const goesOn = word.endsWith('-');
      return pieces.map((piece, i): Lyric => {
        const isLast = i === pieces.length - 1 && !goesOn;
        const syllabic = i === 0 ? (isLast ? 'single' : 'begin') : isLast ? 'end' : 'middle';
        return { text: cutTo(piece, 200), syllabic };
      });
    });
}

/** The words under a run of notes as they would be typed: the inverse of {@link syllablesOf}. */
export function wordsOf(notes: readonly Pick<MelodyNote, 'lyric'>[]): string {
  let text = '';
  for (const { lyric } of notes) {
    if (lyric === null) text += text.endsWith('-') ? '' : '_ ';
    else text += lyric.text + (lyric.syllabic === 'begin' || lyric.syllabic === 'middle' ? '-' : ' ');
  }
  while (text.endsWith('_ ')) text = text.slice(0, -2);
  return text.trim();
}

/** The words of a run of notes, and after the last that is sung those left over: given once more it is the same. */
export function sungOn(notes: readonly Pick<MelodyNote, 'lyric'>[], spare: string): string {
  return `${wordsOf(notes)} ${spare}`.trim();
}

function withWords(
  song: Song,
  { fromId, toId, text, others = '', verse = 1 }: Extract<NoteEdit, { kind: 'words-typed' }>,
): Song {
  const all = heads(song.melody);
  const from = all.findIndex((note) => note.id === fromId);
  const to = all.findIndex((note) => note.id === toId);
  if (from < 0 || to < from) return song;
  const sung = all.slice(from, to + 1);
  const syllables = syllablesOf(text);
  const left = syllables.slice(sung.length);
  const given = new Map(sung.map((note, i) => [note.id, syllables[i] ?? null]));
  const words = [others, wordsOf(left.map((lyric) => ({ lyric })))].filter(Boolean).join(' ');
  return {
    ...song,
    spareWords: shortened(words),
    melody: song.melody.map((note) => {
      const lyric = given.get(note.id);
      return lyric === undefined ? note : inVerse(note, verse, lyric);
    }),
  };
}

/** A note with what is struck with it, each time or one time. */
function harmonised(
  { harmony: before, harmonies, ...note }: MelodyNote,
  { harmony, time = 1 }: Extract<NoteEdit, { kind: 'notes-harmonised' }>,
): MelodyNote {
  const kept = before ? { harmony: before } : {};
  if (time === 1) return { ...note, ...(harmony ? { harmony } : {}), ...(harmonies ? { harmonies } : {}) };
  const all = Array.from({ length: Math.max(time - 1, harmonies?.length ?? 0) }, (_, i) =>
    i === time - 2 ? harmony : (harmonies?.[i] ?? null),
  );
  return { ...note, ...kept, ...(all.some((one) => one !== null) ? { harmonies: all } : {}) };
}

/** A note with what is sung to it one time; verses between that have no words yet are sung as the first. */
function inVerse(note: MelodyNote, verse: number, lyric: Lyric | null): MelodyNote {
  if (verse === 1) return { ...note, lyric };
  const verses = Array.from({ length: Math.max(verse - 1, note.verses?.length ?? 0) }, (_, i) =>
    i === verse - 2 ? lyric : lyricOf(note, i + 2),
  );
  return { ...note, verses };
}

/** More spare words than a song keeps are cut between two of them. */
function shortened(words: string): string {
  if (words.length <= MOST_SPARE) return words;
  return cutTo(words, MOST_SPARE).replace(/\s\S*$/, '');
}

/** Notes that can carry a syllable: not grace notes, not the held-on half of a tie. */
export function heads(melody: readonly MelodyNote[]): MelodyNote[] {
  return melody.filter((note, i) => {
    const before = melody[i - 1];
    const isHeldOn = before?.tiedToNext && before.tick + before.length === note.tick;
    return !note.grace && !isHeldOn;
  });
}

function endOf(notes: readonly MelodyNote[]): number {
  return notes.reduce((end, note) => Math.max(end, note.tick + note.length), 0);
}

function mapNotes(song: Song, ids: readonly string[], change: (note: MelodyNote) => MelodyNote): Song {
  return withMelody(
    song,
    song.melody.map((note) => (ids.includes(note.id) ? change(note) : note)),
  );
}

/** Melodies stay sorted by onset, grace notes before their main note. */
function withMelody(song: Song, melody: readonly MelodyNote[]): Song {
  return {
    ...song,
    melody: [...melody].sort((a, b) => a.tick - b.tick || Number(b.grace) - Number(a.grace)),
  };
}

function freshId(song: Song, prefix: string): string {
  return prefix + freshNumber(song, prefix);
}

function freshNumber(song: Song, prefix: string): number {
  const numbers = song.melody.map((n) => (n.id.startsWith(prefix) ? Number(n.id.slice(prefix.length)) : 0));
  return 1 + Math.max(0, ...numbers.filter(Number.isFinite));
}
