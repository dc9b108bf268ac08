import { cutTo, barAt, keyAt, type OwnPattern, type SongEdit } from '@joined-hands/core/song';
import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { Exception } from '@joined-hands/core/arrange';
import { FieldError, readBars } from '@joined-hands/core/formats';
import { barTicks, metreName, midiOf, TICKS_PER_QUARTER } from '@joined-hands/core/music';
import {
  type Cell,
  cellsOf,
  eventsOfCells,
  type PlayedKey,
  readFigure,
  readLine,
  readPlaces,
} from '@joined-hands/core/patterns';
import { MOVING } from '@joined-hands/core/levels';
import type { KeyEvent } from '@joined-hands/core/takes';
import { lineInWords } from '@joined-hands/core/words';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import { type KeySource, Recorder } from '../../input/recorder';
import { type PatternElsewhere, SongStore } from '../../storage/song-store';
import { Asker } from '../../workers/asker';
import { JoinState } from './join-state';
import { messageOf } from '../../ui/message';

/** Steps of a beat the grid may have: half beats, triplets, sixteenths. */
export const GRIDS = [2, 3, 4] as const;
type Grid = (typeof GRIDS)[number];

/** A pattern of the pianist's own while it is made: on a grid, or read off keys played over a chord. */
@Injectable()
export class MakerState {
  private readonly bench = inject(BenchState);
  private readonly join = inject(JoinState);
  private readonly playing = inject(Playing);
  private readonly recorder = inject(Recorder);
  private readonly asker = inject(Asker);
  private readonly songs = inject(SongStore);

  readonly isOpen = signal(false);
  readonly name = signal('My pattern');
  readonly bars = signal<1 | 2>(1);
  /** Steps of a beat on the grid. */
  readonly grid = signal<Grid>(2);
  /** Told apart from what is on the grid: a figure as it was played, finer than the grid. */
  private readonly events = signal<OwnPattern['events']>([]);
  private readonly editing = signal<string | null>(null);
  readonly notice = signal('');
  /** What is played is kept as members over the root, as places of the chord as it lies, or as the very keys. */
  readonly base = signal<OwnPattern['base']>('root');
  /** The very keys, whatever the chord. */
  readonly isFixed = computed(() => this.base() === 'keys');
  readonly letters = signal('');
  readonly counts = signal('');
  /** Patterns the pianist made in other songs; null until they are asked for. */
  readonly elsewhere = signal<readonly PatternElsewhere[] | null>(null);
  readonly problem = signal('');
  /** Places where it does not go as it was made; null while they are looked for. */
  readonly exceptions = signal<readonly Exception[] | null>(null);

  constructor() {
    effect(() => {
      const [isOpen, arrangement, pattern] = [this.isOpen(), this.bench.arrangement(), this.pattern()];
      this.exceptions.set(null);
      if (!isOpen || !arrangement || arrangement.isPartial || !pattern) return;
      this.asker.answer(arrangement, { kind: 'pattern-tried', pattern }, (found) => {
        if (this.pattern() === pattern) this.exceptions.set(found);
      });
    });
  }

  /** The metre of the part: the figure is made in it. */
  readonly metre = computed(() => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    return arrangement && part
      ? barAt(arrangement.played.bars, part.toTick - 1).metre
      : { numerator: 4, denominator: 4 as const };
  });
  /** Quarters of the whole figure. */
  readonly beats = computed(() => (this.bars() * 4 * this.metre().numerator) / this.metre().denominator);
  readonly steps = computed(() => Math.floor(this.beats() * this.grid()));
  readonly cells = computed((): readonly Cell[] =>
    this.isFixed() ? [] : cellsOf(this.events(), this.grid()),
  );
  /** Some of the figure lies between the steps of the grid, or is no numbered member. */
  readonly isFiner = computed(
    () =>
      !this.isFixed() &&
      this.cells().length < this.events().reduce((sum, { members }) => sum + members.length, 0),
  );

  readonly pattern = computed((): OwnPattern | null => {
    const events = this.events();
    if (events.length === 0) return null;
    return {
      id: this.editing() ?? 'own-new',
      name: cutTo(this.name().trim(), 60) || 'My pattern',
      base: this.base(),
      metre: metreName(this.metre()),
      beats: this.beats(),
      events,
    };
  });

  open(pattern?: OwnPattern): void {
    this.editing.set(pattern?.id ?? null);
    this.name.set(pattern?.name ?? 'My pattern');
    const bar = (4 * this.metre().numerator) / this.metre().denominator;
    this.bars.set(pattern && pattern.beats > bar ? 2 : 1);
    this.events.set(pattern?.events ?? []);
    this.base.set(pattern?.base ?? 'root');
    this.letters.set('');
    this.counts.set('');
    this.grid.set(gridOf(pattern?.events ?? []));
    this.notice.set('');
    this.isOpen.set(true);
  }

  isSet(step: number, member: number): boolean {
    return this.cells().some((cell) => cell.step === step && cell.member === member);
  }

  toggle(step: number, member: number): void {
    const rest = this.cells().filter((cell) => cell.step !== step || cell.member !== member);
    const cells = rest.length === this.cells().length ? [...rest, { step, member }] : rest;
    const graces = this.events().filter(({ grace }) => grace);
    const struck = eventsOfCells(cells, this.grid(), this.beats()) ?? [];
    this.events.set([...graces, ...struck].sort((a, b) => a.onset - b.onset));
  }

  /** Members, places or the very keys: what was there is of another kind, and goes. */
  chooseBase(base: OwnPattern['base']): void {
    if (base === this.base()) return;
    this.base.set(base);
    this.clear();
  }

  /** A fixed line as it is struck, a line a strike. */
  readonly lineInWords = computed((): readonly string[] => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    if (!this.isFixed() || !arrangement || !part) return [];
    return lineInWords(this.events(), keyAt(arrangement.played, part.fromTick), this.metre());
  });

  chooseBars(bars: 1 | 2): void {
    this.bars.set(bars);
    const within = this.cells().filter(({ step }) => step < this.steps());
    this.events.set(eventsOfCells(within, this.grid(), this.beats()) ?? []);
  }

  clear(): void {
    this.events.set([]);
    this.notice.set('');
  }

  /** The edit that keeps it and plays it, for the song or the part as it is chosen. */
  private keeping(pattern: OwnPattern): SongEdit {
    const { isMoving } = this.bench.levelRow();
    const choices = isMoving ? { pattern: pattern.id } : { pattern: pattern.id, level: MOVING };
    const edits: SongEdit[] = [{ kind: 'pattern-kept', pattern }, this.join.choosing(choices)];
    return { kind: 'together', what: 'own pattern', edits };
  }

  /** The part on screen with it, before it is kept. */
  hear(): void {
    const pattern = this.pattern();
    if (pattern) this.playing.hearPartAfter(this.keeping(pattern));
  }

  keep(): void {
    const [pattern, song] = [this.pattern(), this.bench.song()];
    if (!pattern || !song) return;
    this.bench.edit(this.keeping({ ...pattern, id: this.editing() ?? freeId(song.patterns) }));
    this.isOpen.set(false);
  }

  leaveOut(id: string): void {
    this.bench.edit({ kind: 'pattern-left-out', id });
    if (this.editing() === id) this.isOpen.set(false);
  }

  /** Looks through the shelf for patterns of other songs. */
  async lookElsewhere(): Promise<void> {
    this.problem.set('');
    try {
      this.elsewhere.set(await this.songs.patternsElsewhere(this.bench.song()?.id ?? ''));
    } catch (error) {
      this.problem.set(`The patterns of your other songs could not be read: ${messageOf(error)}.`);
    }
  }

  /** Keeps a pattern of another song in this one; it is played when it is taken. */
  takeOver(pattern: OwnPattern): void {
    const song = this.bench.song();
    if (song) this.bench.edit({ kind: 'pattern-kept', pattern: { ...pattern, id: freeId(song.patterns) } });
    this.elsewhere.set(null);
  }

  /** The chord that is played over: the first of the part. */
  readonly over = computed(() => this.bench.changesInPart()[0] ?? null);
  readonly isRecording = computed(() => this.recorder.isBusy());
  readonly counted = computed(() => this.recorder.counted());

  /** Records the figure once over the first chord of the part, and reads it as members. */
  async playIn(source: KeySource): Promise<void> {
    const [over, bars] = [this.over(), this.bench.arrangement()?.played.bars];
    if (!over || !bars) return;
    this.notice.set('');
    try {
      const ticks = this.beats() * TICKS_PER_QUARTER;
      this.recorder.quartersPerMinute.set(this.tempo());
      const events = await this.recorder.record(source, {
        bars,
        fromTick: over.change.tick,
        toTick: over.change.tick + ticks,
      });
      this.read(keysOf(events, this.recorder.quartersPerMinute(), this.beats()));
    } catch (error) {
      this.notice.set(`The figure could not be recorded: ${messageOf(error)}.`);
    }
  }

  /** Reads letters and counts over the first chord of the part. */
  typeIn(): void {
    const [over, metre] = [this.over(), this.metre()];
    if (!over) return;
    const length = barTicks(metre);
    const bars = Array.from({ length: this.bars() }, (_, i) => ({
      number: i + 1,
      tick: i * length,
      length,
      metre,
    }));
    try {
      const start = over.pitches[0];
      const typed = { letters: this.letters(), counts: this.counts() };
      const { notes, missing } = readBars(typed, bars, over.key, [], start);
      this.read(
        notes.map(({ after, length: ticks, pitch, grace = false }) => ({
          beat: after / TICKS_PER_QUARTER,
          beats: ticks / TICKS_PER_QUARTER,
          midi: midiOf(pitch),
          grace,
        })),
      );
      if (missing) this.notice.set(missing.message);
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      this.notice.set(error.message);
    }
  }

  /** Reads keys played over the first chord of the part. */
  read(keys: readonly PlayedKey[]): void {
    const over = this.over();
    if (!over) return;
    if (this.isFixed()) {
      const line = readLine(keys, this.beats());
      this.notice.set(line.length > 0 ? '' : 'Nothing was heard: play the line once, from the click on.');
      if (line.length > 0) this.events.set(line);
      return;
    }
    const { events, strangers } =
      this.base() === 'voicing'
        ? readPlaces(keys, over.voicing.keys, this.beats())
        : readFigure(keys, over.chord, this.beats(), over.key);
    if (events.length === 0) {
      this.notice.set(
        'Nothing that belongs to the chord was heard: play the figure once, from the click on.',
      );
      return;
    }
    this.events.set([...events]);
    this.grid.set(gridOf(events));
    this.notice.set(
      strangers.length === 0
        ? ''
        : `${strangers.length} ${strangers.length === 1 ? 'key is' : 'keys are'} neither in the chord nor in the key and left out.`,
    );
  }

  /** Quarters a minute of the song. */
  tempo(): number {
    return this.bench.song()?.tempoMap[0].quartersPerMinute ?? 96;
  }

  stop(): void {
    this.recorder.stop();
  }
}

/** The coarsest grid on which all of a figure lies; half beats where none is. */
function gridOf(events: OwnPattern['events']): Grid {
  const members = events.reduce((sum, event) => sum + event.members.length, 0);
  return GRIDS.find((grid) => cellsOf(events, grid).length === members) ?? 2;
}

/** Keys with their lengths in beats; one that is still held ends with the figure. */
function keysOf(events: readonly KeyEvent[], quartersPerMinute: number, beats: number): PlayedKey[] {
  const down = new Map<number, number>();
  const keys: PlayedKey[] = [];
  const end = (midi: number, at: number): void => {
    const since = down.get(midi);
    if (since !== undefined) keys.push({ beat: since, beats: Math.max(0.05, at - since), midi });
    down.delete(midi);
  };
  for (const { seconds, midi, velocity } of events) {
    const at = (seconds * quartersPerMinute) / 60;
    end(midi, at);
    if (velocity > 0) down.set(midi, at);
  }
  for (const midi of [...down.keys()]) end(midi, beats);
  return keys;
}

/** "own1", or the next that is free. */
function freeId(patterns: readonly OwnPattern[]): string {
  const taken = new Set(patterns.map(({ id }) => id));
  let n = 1;
  while (taken.has(`own${n}`)) n++;
  return `own${n}`;
}
