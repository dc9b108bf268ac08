import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { readLetters } from '@joined-hands/core/formats';
import {
  ChordSymbolError,
  inEnglish,
  midiOf,
  otherNameOf,
  parseChord,
  pitchAt,
  symbolOf,
  TICKS_PER_QUARTER,
} from '@joined-hands/core/music';
import { partIndexAt } from '@joined-hands/core/parts';
import {
  barAt,
  chordPut,
  type Finding,
  type Harmony,
  keyAt,
  lastAtOrBefore,
  type MelodyNote,
  type PlayedNote,
  type Song,
  type SongEdit,
  timeOf,
  writtenBars,
} from '@joined-hands/core/song';
import { type Line, lineBeside, ownBarsId } from '@joined-hands/core/own';
import { BenchState } from '../../frame/bench-state';
import { answered, type Asking } from '../../workers/answered';
import type { Question } from '../../workers/answers';

/** Tabs of the Tune bench. */
type TuneTab = 'notes' | 'words' | 'bars' | 'letters' | 'play' | 'keys' | 'told';
type TuneQuestion = Extract<Question, { readonly kind: 'keys' | 'metres' | 'easier-keys' }>;
/** A key or metre is looked for from so many notes on. */
const FEWEST_NOTES = 3;
const hasTune = ({ melody }: Song): boolean => melody.length >= FEWEST_NOTES;
const hasMusic = ({ melody, changes }: Song): boolean => melody.length + changes.length > 0;

/** Smallest step in time, in ticks. */
export const TIME_STEPS = [
  { value: TICKS_PER_QUARTER / 2, label: '½ beat' },
  { value: TICKS_PER_QUARTER / 4, label: '¼ beat' },
  { value: TICKS_PER_QUARTER / 3, label: 'triplet' },
] as const;

/** What the Tune bench mends; chords and hands are other benches' work. */
const OF_THE_TUNE: ReadonlySet<Finding['kind']> = new Set([
  'overlap',
  'words',
  'accidental',
  'unclear',
  'keyboard',
]);

/** The notes picked on the Tune bench and what can be done with them. */
@Injectable()
export class TuneState {
  readonly bench = inject(BenchState);
  readonly tab = signal<TuneTab>('notes');
  /** Played ids of the notes picked, in time. */
  readonly picked = signal<readonly string[]>([]);
  readonly timeStep = signal<number>(TIME_STEPS[0].value);

  /** Keys the tune may be in, metres it may have, the likeliest first; keys it may be moved to, the easiest first. */
  readonly foundKeys = answered(() => this.asking({ kind: 'keys' }, ['bars', 'letters'], hasTune));
  readonly foundMetres = answered(() => this.asking({ kind: 'metres' }, ['bars'], hasTune));
  readonly easierKeys = answered(() => this.asking({ kind: 'easier-keys' }, ['keys'], hasMusic));

  /** A question asked while its panel is open, where there is enough to tell. */
  private asking<K extends TuneQuestion['kind']>(
    question: Extract<TuneQuestion, { readonly kind: K }>,
    tabs: readonly TuneTab[],
    isEnough: (song: Song) => boolean,
  ): Asking<K> | 'nothing' | null {
    const song = this.bench.song();
    if (!song || !isEnough(song)) return 'nothing';
    if (!tabs.includes(this.tab())) return null;
    return { about: { song, profile: this.bench.state().profile }, question };
  }

  readonly played = computed(() => this.bench.arrangement()?.played.melody ?? []);
  readonly pickedNotes = computed(() => {
    const ids = new Set(this.picked());
    return this.played().filter((note) => ids.has(note.id));
  });
  /** The first note picked. */
  readonly note = computed<PlayedNote | null>(() => this.pickedNotes()[0] ?? null);
  /** Written ids: an edit changes the note wherever it comes back. */
  readonly ids = computed(() => [...new Set(this.pickedNotes().map((note) => note.writtenId))]);
  readonly notesInPart = computed(() => {
    const part = this.bench.part();
    return part ? this.played().filter((n) => n.tick >= part.fromTick && n.tick < part.toTick) : [];
  });
  /** The written bar of the note picked, else the first of the part on screen. */
  readonly writtenBar = computed(() => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    if (!arrangement || !part) return 1;
    return lastAtOrBefore(arrangement.played.bars, this.note()?.tick ?? part.fromTick).written;
  });

  /** Picks a note; with `extends` all from the first picked to it. */
  pick(id: string, isExtending: boolean): void {
    const notes = this.played();
    const to = notes.findIndex((note) => note.id === id);
    const from = notes.findIndex((note) => note.id === this.picked()[0]);
    if (to < 0) return this.picked.set([]);
    const [low, high] = isExtending && from >= 0 ? [Math.min(from, to), Math.max(from, to)] : [to, to];
    this.picked.set(notes.slice(low, high + 1).map((note) => note.id));
    this.show(notes[to]);
    void this.bench.hearing.keys([notes[to].midi]);
  }

  pickPart(): void {
    this.picked.set(this.notesInPart().map((note) => note.id));
  }

  /** The next or previous note; from none, the first of the part. */
  step(by: 1 | -1, isExtending: boolean): void {
    const notes = this.played();
    const ids = this.picked();
    const edge = by === 1 ? ids[ids.length - 1] : ids[0];
    const at = notes.findIndex((note) => note.id === edge);
    const next = at < 0 ? this.notesInPart()[0] : notes[at + by];
    if (!next) return;
    if (!isExtending) return this.pick(next.id, false);
    this.picked.set(by === 1 ? [...ids, next.id] : [next.id, ...ids]);
    this.show(next);
  }

  private show(note: PlayedNote): void {
    const { parts } = this.bench.arrangement() ?? { parts: [] };
    const part = partIndexAt(parts, note.tick);
    if (part !== this.bench.partIndex()) this.bench.move({ part, selected: null });
  }

  leave(): void {
    this.picked.set([]);
  }

  movePitch(by: { steps?: number; semitones?: number }): void {
    this.editNotes((ids) => ({ kind: 'notes-moved', ids, ...by }));
  }

  /** So many steps of time later, or earlier. */
  shift(steps: number): void {
    this.editNotes((ids) => ({ kind: 'notes-shifted', ids, ticks: steps * this.timeStep() }));
  }

  lengthen(direction: 1 | -1): void {
    this.editNotes((ids) => ({ kind: 'notes-lengthened', ids, ticks: direction * this.timeStep() }));
  }

  /** The other usual name of the note picked first, for its button; null where it has none. */
  readonly otherName = computed(() => {
    const note = this.written(this.ids()[0]);
    return note ? otherNameOf(note.pitch) : null;
  });

  /** Writes the note picked first by its other name: the key stays. */
  respell(): void {
    const [id] = this.ids();
    const [note, name] = [this.written(id), this.otherName()];
    if (note && name)
      this.editNotes(() => ({ kind: 'note-respelled', id, pitch: pitchAt(midiOf(note.pitch), name) }));
  }

  /** The time the note picked first is played, from 1. */
  readonly time = computed(() => timeOf(this.note()?.id ?? ''));
  /** What is struck with it is chosen for this time alone. */
  readonly isThisTime = linkedSignal({ source: this.time, computation: () => false });
  /** What is struck with the notes picked: that of the first; null: what their level gives them, or as the first time. */
  readonly harmony = computed(() => {
    const note = this.written(this.ids()[0]);
    if (!note) return null;
    return this.isThisTime() ? (note.harmonies?.[this.time() - 2] ?? null) : (note.harmony ?? null);
  });

  /** They are struck so from now on, and heard. */
  harmonise(harmony: Harmony | null): void {
    const ids = this.ids();
    const [first] = this.pickedNotes();
    if (ids.length === 0) return;
    const time = this.isThisTime() ? this.time() : 1;
    this.bench.edit({ kind: 'notes-harmonised', ids, harmony, time });
    this.bench.whenArranged(() => {
      const struck = this.bench.arrangement()?.right.filter(({ tick }) => tick === first.tick) ?? [];
      void this.bench.hearing.keys(struck.map(({ midi }) => midi));
    });
  }

  /** A second line beside the notes picked, written by hand. Gives why there is none, or nothing. */
  addLine(line: Line): string {
    const [song, notes] = [this.bench.song(), this.ids().flatMap((id) => this.written(id) ?? [])];
    if (!song || notes.length === 0) return '';
    const own = lineBeside(song, notes, line, this.bench.part()?.choices.octaveShift);
    if (!own)
      return line === 'moving-under'
        ? 'None of these notes is held long enough with two chord notes clear below it.'
        : 'No chord note is clear of these notes.';
    this.bench.edit({ kind: 'own-bars-written', own: { ...own, id: ownBarsId(own) }, session: null });
    return '';
  }

  /** The very keys, by their letters: "C4 E4". What cannot be read is thrown as {@link EntryError}. */
  harmoniseWith(letters: string): void {
    const [note, arrangement] = [this.note(), this.bench.arrangement()];
    if (!note || !arrangement) return;
    const keys = readLetters(letters, keyAt(arrangement.played, note.tick), note.pitch).map(
      ({ pitch }) => pitch,
    );
    this.harmonise(keys.length > 0 ? { how: 'keys', keys } : null);
  }

  /** The chord that begins with the note picked, as it is written; empty where none does. */
  readonly chordHere = computed(() => {
    const note = this.written(this.ids()[0]);
    return note ? (this.bench.song()?.changes.find(({ tick }) => tick === note.tick)?.symbol ?? '') : '';
  });

  /** Puts a chord under the note picked and goes on to the next note. Gives what was wrong with it, or nothing. */
  putChord(text: string): string {
    const [note, song] = [this.written(this.ids()[0]), this.bench.song()];
    if (!note || !song || text.trim() === '') return '';
    try {
      const edit = chordPut(song, note.tick, symbolOf(parseChord(inEnglish(text.trim()))));
      if (!edit) return 'There is no room for a chord here.';
      this.bench.edit(edit);
    } catch (error) {
      if (!(error instanceof ChordSymbolError)) throw error;
      return error.message;
    }
    this.step(1, false);
    return '';
  }

  split(): void {
    this.editNotes(([id]) => ({ kind: 'note-split', id }));
  }

  join(): void {
    this.editNotes((ids) => ({ kind: 'notes-joined', ids }));
  }

  /** Holds the note on into the next of the same key, or strikes that again. */
  tie(): void {
    const [id] = this.ids();
    const note = this.written(id);
    if (note) this.editNotes(() => ({ kind: 'note-tied', id, tied: !note.tiedToNext }));
  }

  remove(): void {
    const next = this.played().find((note) => note.tick > (this.pickedNotes().at(-1)?.tick ?? Infinity));
    this.editNotes((ids) => ({ kind: 'notes-deleted', ids }));
    this.picked.set(next ? [next.id] : []);
  }

  /** The notes picked again, right after them. */
  copy(): void {
    const notes = this.pickedNotes();
    const song = this.bench.song();
    const last = this.written(notes.at(-1)?.writtenId);
    if (!song || !last) return;
    const bar = barAt(writtenBars(song), last.tick);
    const first = this.written(notes[0].writtenId) as MelodyNote;
    const from = barAt(writtenBars(song), first.tick);
    // A phrase keeps its place in the bar: the copy begins as many bars later as it is long.
    const toTick = first.tick + (bar.tick + bar.length - from.tick);
    this.editNotes((ids) => ({ kind: 'phrase-copied', ids, toTick }));
  }

  /** A new note after the one picked, as long and as high; the first of an empty song is middle C. */
  add(): void {
    const song = this.bench.song();
    if (!song) return;
    const last = this.written(this.pickedNotes().at(-1)?.writtenId) ?? song.melody.at(-1);
    const pitch = last?.pitch ?? { letter: 'C' as const, alter: 0, octave: 4 };
    const tick = last ? last.tick + last.length : song.pickup;
    this.bench.edit({ kind: 'note-added', tick, length: last?.length || TICKS_PER_QUARTER, pitch });
    const added = this.bench.song()?.melody.find((note) => note.tick === tick);
    if (added) this.picked.set([added.id]);
    void this.bench.hearing.keys([midiOf(pitch)]);
  }

  written(id: string | undefined): MelodyNote | undefined {
    return this.bench.song()?.melody.find((note) => note.id === id);
  }

  private editNotes(make: (ids: readonly string[]) => SongEdit): void {
    const ids = this.ids();
    if (ids.length === 0) return;
    this.bench.edit(make(ids));
    const first = this.written(ids[0]);
    if (first) void this.bench.hearing.keys([midiOf(first.pitch)]);
  }

  /** Words that stood over the bars of a chart are sung to the tune, and stand there no more. */
  singChart(fromId: string, toId: string, text: string): void {
    const edits: SongEdit[] = [
      { kind: 'words-typed', fromId, toId, text },
      { kind: 'tune-taken', what: 'words', session: null, fields: { words: [] } },
    ];
    this.bench.edit({ kind: 'together', what: 'words of the chart', edits });
  }

  /** Puts a melody in the place of the old one; edits of one session are undone together. */
  take(what: string, session: string | null, fields: Partial<Song>): void {
    this.bench.edit({ kind: 'tune-taken', what, session, fields });
  }

  /** The first remedy of the first finding of the tune that has one: one key mends it. */
  mend(): void {
    const ofTheTune = this.bench.findings().filter(({ kind }) => OF_THE_TUNE.has(kind));
    const fix = ofTheTune.find((finding) => finding.remedies.length > 0)?.remedies[0];
    if (fix) this.bench.edit(fix.edit);
  }
}
