import {
  cutTo,
  applyEdit,
  emptySong,
  lastAtOrBefore,
  joinTies,
  type MelodyNote,
  type Song,
  writtenBars,
} from '../song';
import { imports } from '../sentences';
import { stored } from './stored';
import { chordsFromKeys, findKeys, type SoundingKey } from '../harmony';
import { chroma, fifthsOf, isModal, type Key, midiOf, nameOf, strikeNumber, typeset } from '../music';
import { chordsFor } from '../suggesting';
import { asWritten, handsOf, type HandsWritten } from './asWritten';
import { FileError } from './fileError';
import { playingOrderOf } from './repeats';
import type { ReadPart, ReadScore, ScoreNote } from './score';
import { hasOverlaps, skyline, topOfChords } from './topLine';
import { withNotesUnder } from './underTune';

/** One line of a file that could be the melody, as the song it would make. */
export interface TuneCandidate {
  readonly id: string;
  /** "Piano, upper staff, top line". */
  readonly label: string;
  /** "48 notes, G3 to D5, with words". */
  readonly facts: string;
  readonly song: Song;
}

/** The ids of both hands kept as they are written, and of the likeliest tune with the other notes of its hand. */
export const BOTH_HANDS = 'both-hands';
export const WITH_HARMONY = 'with-harmony';

/** Most lines of one file that are offered. */
const MOST_CANDIDATES = 16;
/** A melody note says this much beside a chord note when chords are read off the other notes. */
const MELODY_SAYS = 0.3;
/** Fewer other notes than this share of the melody's are strays, not an accompaniment. */
const LEAST_ACCOMPANIMENT = 0.1;
/** What speaks for a line being the melody; common practice of scores. */
const LIKELY = {
  ...{ words: 30, named: 20, symbols: 12, firstStaff: 6, topLine: 3, high: 0.3, each: 0.02 },
  /** A tune goes on; an instrument that rests in most bars has not got it. */
  sounds: 8,
};
const MELODY_NAME = /voice|vocal|melod|lead|sing|sopran|tune|right/i;
const BASS_NAME = /bass|left|drum|perc/i;

interface Line {
  readonly part: ReadPart;
  readonly label: string;
  readonly notes: readonly ScoreNote[];
  readonly likely: number;
}

/** The lines of a score that could be the melody, the likeliest first. Throws {@link FileError} when there is nothing. */
export function candidatesOf(score: ReadScore, songId: string, fallbackTitle: string): TuneCandidate[] {
  const lines = score.parts.flatMap((part, i) => linesOf(part, i, score.parts.length > 1));
  const sorted = lines.sort((a, b) => b.likely - a.likely).slice(0, MOST_CANDIDATES);
  const title = cutTo(score.title ?? fallbackTitle, 200) || 'Untitled';
  if (sorted.length === 0) {
    const part = score.parts.find((p) => p.chords.length > 0);
    if (!part)
      throw new FileError(
        'The score has neither notes nor chord symbols',
        'first part',
        'Choose a score with a melody.',
      );
    return [chordsAlone(score, part, songId, title)];
  }
  const bare = onlyAccompanied(score);
  // Whichever line is taken, the chords of the file are the same: read once, with the likeliest as the melody.
  let changes: Song['changes'] | null = null;
  const readOff = (): Song['changes'] => (changes ??= chordsOf(score, sorted[0]));
  const tunes = sorted.map((line, i): TuneCandidate => {
    const song = songFrom(score, line, songId, title, readOff);
    return {
      id: `line${i + 1}`,
      label: line.label,
      facts: factsOf(song.melody),
      // Lines that are not likely the melody wait until one is taken.
      song: i === 0 && song.changes.length === 0 ? withSuggestions(song) : song,
    };
  });
  const full = bare ? null : fullTune(sorted[0], tunes[0]);
  const hands = bare ? null : handsOf(score);
  const written = hands ? [bothHands(hands, score, songId, title, readOff)] : [];
  return [
    ...(bare ? [chordsAlone(score, bare, songId, title)] : []),
    ...tunes,
    ...(full ? [full] : []),
    ...written,
  ];
}

/** The likeliest tune with the other notes of its hand. */
function fullTune(line: Line, tune: TuneCandidate): TuneCandidate | null {
  const { part, notes } = line;
  const full = withNotesUnder(
    tune.song,
    part.notes.filter(({ staff }) => staff === notes[0]?.staff),
    part.end,
  );
  if (!full) return null;
  const { song, others } = full;
  return {
    id: WITH_HARMONY,
    label: `${tune.label}, with the notes under it`,
    facts: `${factsOf(song.melody)}, and ${others} more`,
    song: { ...song, pins: tune.song.pins },
  };
}

/** Both hands as they are written; the tune is the right hand's top line. */
function bothHands(
  hands: HandsWritten,
  score: ReadScore,
  songId: string,
  title: string,
  readOff: () => Song['changes'],
): TuneCandidate {
  const { part, notes } = hands;
  const top = { part, label: '', notes: skyline(notes.right), likely: 0 };
  const song = asWritten(songFrom(score, top, songId, title, readOff), hands);
  const [right, left] = song.ownBars.map((own) => own.notes.length);
  return {
    id: BOTH_HANDS,
    label: 'Both hands, as written',
    facts: `${right} notes in the right hand, ${left} in the left`,
    song,
  };
}

/** A part with chord symbols over an upper staff that is empty, where nothing else is played: its tune is yet to come. */
function onlyAccompanied({ parts }: Pick<ReadScore, 'parts'>): ReadPart | undefined {
  const sounding = parts.filter(({ notes }) => notes.length > 0);
  const [only] = sounding;
  const isBare =
    sounding.length === 1 && only.chords.length > 0 && only.notes.every(({ staff }) => staff !== '1');
  return isBare ? only : undefined;
}

function chordsAlone(score: ReadScore, part: ReadPart, songId: string, title: string): TuneCandidate {
  const song = songFrom(score, { part, label: '', notes: [], likely: 0 }, songId, title, () => []);
  return { id: 'chords', label: 'Chords without a melody', facts: `${song.changes.length} chords`, song };
}

function linesOf(part: ReadPart, index: number, hasOthers: boolean): Line[] {
  const staves = [...new Set(part.notes.map((n) => n.staff))].sort();
  return staves.flatMap((staff, s) => {
    const onStaff = part.notes.filter((n) => n.staff === staff);
    const voices = [...new Set(onStaff.map((n) => n.voice))];
    const staffName =
      staves.length === 1 ? '' : s === 0 ? ', upper staff' : s === 1 ? ', lower staff' : `, staff ${staff}`;
    const name = hasOthers || staves.length === 1 ? part.name : part.name || 'Piano';
    const make = (label: string, notes: readonly ScoreNote[], extra: number): Line => ({
      part,
      label: (name + staffName + label).replace(/^, /, '') || 'Melody',
      notes,
      likely: likelihood(part, notes, s === 0, index) + extra,
    });
    if (voices.length === 1) {
      const top = hasOverlaps(onStaff) ? skyline(onStaff) : topOfChords(onStaff);
      return [make(top.length < onStaff.length ? ', top line' : '', top, 0)];
    }
    return [
      make(', top line', skyline(onStaff), LIKELY.topLine),
      ...voices.map((voice) =>
        make(`, voice ${voice}`, topOfChords(onStaff.filter((n) => n.voice === voice)), 0),
      ),
    ];
  });
}

/** Share of a part's quarters, from its beginning to its end, in which a line sounds, 0 … 1. */
function soundingShare({ end }: ReadPart, notes: readonly ScoreNote[]): number {
  const sounding = notes.reduce((sum, { length, grace }) => sum + (grace ? 0 : length), 0);
  return Math.min(1, sounding / Math.max(1, end));
}

function likelihood(
  part: ReadPart,
  notes: readonly ScoreNote[],
  isFirstStaff: boolean,
  index: number,
): number {
  const mean = notes.reduce((sum, n) => sum + n.midi, 0) / Math.max(1, notes.length);
  return (
    (notes.some((n) => n.lyric) ? LIKELY.words : 0) +
    (MELODY_NAME.test(part.name) ? LIKELY.named : BASS_NAME.test(part.name) ? -LIKELY.named : 0) +
    (part.chords.length > 0 ? LIKELY.symbols : 0) +
    (isFirstStaff ? LIKELY.firstStaff : 0) +
    LIKELY.sounds * soundingShare(part, notes) +
    LIKELY.high * (mean - 60) +
    Math.min(10, LIKELY.each * notes.length * 10) -
    index -
    (part.isEverything ? LIKELY.named : 0)
  );
}

/** Of the tune a line makes, its ties joined: a file may hold on what another voice struck. */
function factsOf(melody: Song['melody']): string {
  const sorted = [...melody].sort((a, b) => midiOf(a.pitch) - midiOf(b.pitch));
  const range = `${typeset(nameOf(sorted[0].pitch))} to ${typeset(nameOf(sorted[sorted.length - 1].pitch))}`;
  const words = melody.some((n) => n.lyric) ? ', with words' : '';
  return `${melody.length} note${melody.length === 1 ? '' : 's'}, ${range}${words}`;
}

function songFrom(
  score: ReadScore,
  line: Line,
  songId: string,
  title: string,
  readOff: () => Song['changes'],
): Song {
  const { part } = line;
  const order = playingOrderOf(part.signs);
  const bare: Song = {
    ...emptySong(songId, title),
    ...(score.feel ? { feel: score.feel } : {}),
    ...(score.credits ? { credits: score.credits } : {}),
    keyMap: part.keyMap,
    metreMap: part.metreMap,
    tempoMap: part.tempoMap,
    pickup: part.pickup,
    barCount: Math.max(1, part.barCount),
    playingOrder: order.playingOrder,
    melody: withVerses(joinTies(line.notes.map((note, i) => melodyNote(note, `n${i + 1}`)))),
    sections: part.sections.map((section, i) => ({
      id: `s${i + 1}`,
      energy: 3,
      dynamics: 'even',
      ...section,
    })),
    imported: [...part.imported, ...order.problems.map((said) => ({ tick: 0, said: stored(said) }))],
  };
  return inMode(part, withChords(score, line, bare, readOff));
}

function withChords(score: ReadScore, line: Line, bare: Song, readOff: () => Song['changes']): Song {
  const { part } = line;
  const chords =
    part.chords.length > 0 ? part.chords : (score.parts.find((p) => p.chords.length > 0)?.chords ?? []);
  if (chords.length > 0) {
    const changes = changesOf(chords, part.end);
    return { ...bare, changes, pins: pinsOf(part, line, changes) };
  }
  const changes = readOff();
  if (changes.length > 0)
    return {
      ...bare,
      changes,
      imported: [...bare.imported, { tick: 0, said: stored(imports.chordsReadOff()) }],
    };
  return bare;
}

/** A song whose file leaves its mode open, in that of its signature which its notes and chords speak for. */
function inMode({ mode }: ReadPart, song: Song): Song {
  const [{ tick, ...key }, ...others] = song.keyMap;
  if (mode === 'given' || others.length > 0 || song.melody.length === 0) return song;
  const best = findKeys(song, fifthsOf(key))[0]?.key;
  // What can say major and minor alone has said one of them, unless the tune closes on another tonic.
  if (!best || (mode === 'major-or-minor' && !closesElsewhere(best, key))) return song;
  return { ...song, keyMap: [{ tick, ...best }] };
}

function closesElsewhere(best: Key, said: Key): boolean {
  return isModal(best.mode) && chroma(best.tonic) !== chroma(said.tonic);
}

/** Whether the chords of a song are none but what its melody suggested when it was opened. */
export function isBare({ changes, imported }: Pick<Song, 'changes' | 'imported'>): boolean {
  return changes.length === 0 || imported.some(({ said }) => said.code === imports.chordsSuggested().code);
}

/** Weighing chords for more bars than this takes longer than a file may take to open. */
const MOST_SUGGESTED_BARS = 120;
/** A melody with nothing beside it gets chords, so that the left hand is not silent. */
function withSuggestions(song: Song): Song {
  if (song.melody.length === 0) return song;
  if (song.barCount > MOST_SUGGESTED_BARS)
    return { ...song, imported: [...song.imported, { tick: 0, said: stored(imports.chordsToSuggest()) }] };
  const edit = chordsFor(song, 'sevenths', 'gaps', true);
  if (!edit) return song;
  const dressed = applyEdit(song, edit);
  return { ...dressed, imported: [...song.imported, { tick: 0, said: stored(imports.chordsSuggested()) }] };
}

function melodyNote(note: ScoreNote, id: string): MelodyNote {
  const { tick, length, pitch, tiedToNext, lyric, verses, grace } = note;
  const made = { id, tick, length, pitch, tiedToNext, lyric, grace };
  return verses ? { ...made, verses } : made;
}

/** A verse is a line of its own from its first syllable to its last: between, a note without one is not sung in it. */
function withVerses(melody: readonly MelodyNote[]): MelodyNote[] {
  const most = Math.max(0, ...melody.map(({ verses = [] }) => verses.length));
  const spans = Array.from({ length: most }, (_, verse) => {
    const isSung = ({ verses = [] }: MelodyNote): boolean => (verses[verse] ?? null) !== null;
    return [melody.findIndex(isSung), melody.findLastIndex(isSung)] as const;
  });
  return melody.map((note, i) => {
    const inside = spans.findLastIndex(([first, last]) => first >= 0 && first <= i && i <= last);
    const { verses = [], ...rest } = note;
    if (inside < 0) return rest;
    // In a verse it does not belong to it is sung as in the first.
    const own = Array.from({ length: inside + 1 }, (_, verse) => {
      const [first, last] = spans[verse];
      return first >= 0 && first <= i && i <= last ? (verses[verse] ?? null) : note.lyric;
    });
    return { ...rest, verses: own };
  });
}

/** The chords the other notes spell, with what the melody says; none where nothing else sounds. */
function chordsOf(score: ReadScore, line: Line): Song['changes'] {
  const melody = new Set(line.notes.map(strikeNumber));
  const sounding = score.parts
    .filter((part) => !part.isEverything)
    .flatMap((part) => part.notes)
    .filter((n) => !n.grace);
  const beside = sounding.filter((n) => !melody.has(strikeNumber(n)));
  if (beside.length === 0 || beside.length < LEAST_ACCOMPANIMENT * line.notes.length) return [];
  const weighed = sounding.map((n): SoundingKey => {
    const weight = melody.has(strikeNumber(n)) ? MELODY_SAYS : 1;
    return { tick: n.tick, length: n.length, midi: n.midi, weight };
  });
  const { keyMap } = line.part;
  return chordsFromKeys(weighed, writtenBars(line.part), (tick) => lastAtOrBefore(keyMap, tick));
}

function changesOf(chords: ReadPart['chords'], end: number): Song['changes'] {
  const sorted = [...chords].sort((a, b) => a.tick - b.tick).filter((c) => c.tick < end);
  const kept = sorted.filter((c, i) => sorted[i + 1]?.tick !== c.tick);
  return kept.map((chord, i) => ({
    id: `c${i + 1}`,
    ...chord,
    length: (kept[i + 1]?.tick ?? end) - chord.tick,
    given: true,
    layout: null,
  }));
}

/** Another staff of the same part comes back as pins: the keys struck together with a change. */
function pinsOf(part: ReadPart, line: Line, changes: Song['changes']): Song['pins'] {
  const own = line.notes[0]?.staff ?? '1';
  const byTick = new Map<number, number[]>();
  for (const { tick, midi, staff, isHeldOn } of part.notes)
    if (staff !== own && !isHeldOn) byTick.set(tick, [...(byTick.get(tick) ?? []), midi]);
  return changes.flatMap((change) => {
    const keys = [...new Set(byTick.get(change.tick) ?? [])].sort((a, b) => a - b).slice(0, 10);
    return keys.length >= 2 && change.symbol !== 'N.C.' ? [{ changeId: change.id, keys, fingers: null }] : [];
  });
}
