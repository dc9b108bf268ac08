import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { alsoPlayedIn, byHand, doubled, following, followsChords } from '@joined-hands/core/arrangement';
import { FieldError, readBars, type TypedTune, writeBars } from '@joined-hands/core/formats';
import type { Hand } from '@joined-hands/core/hands';
import { COMMON_TIME, midiOf, type Pitch, spellInKey, unitTicks } from '@joined-hands/core/music';
import { asOwnNotes, type OwnChange, withChange } from '@joined-hands/core/own';
import { barAt, keyAt, lastAtOrBefore, type OwnBars } from '@joined-hands/core/song';
import { keysOf, quantise } from '@joined-hands/core/takes';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import { type KeySource, Recorder } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { messageOf } from '../../ui/message';
import { JoinState } from './join-state';

/** Where letters that name no octave begin, by hand. */
const START: Record<Hand, Pitch> = {
  left: { letter: 'C', alter: 0, octave: 3 },
  right: { letter: 'C', alter: 0, octave: 5 },
};

/** Bars of one hand as the pianist writes them: in letters and counts, or note by note. */
@Injectable()
export class ByHandState {
  readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  private readonly screen = inject(ScreenKeyboard);
  readonly recorder = inject(Recorder);

  private readonly join = inject(JoinState);
  readonly isOpen = computed(() => this.join.isOpen() && this.join.tab() === 'hand');
  readonly hand = signal<Hand>('left');
  readonly how = signal<OwnBars['how']>('instead');
  readonly isThisTime = signal(false);
  /** How many bars are changed together; null: all of the part. */
  readonly count = signal<number | null>(1);
  private readonly barAsked = signal<number | null>(null);
  /** Which of the notes is picked. */
  readonly at = signal<number | null>(null);
  readonly notice = signal('');
  readonly typed = signal<TypedTune>({ letters: '', counts: '' });
  readonly fault = signal<FieldError | null>(null);
  /** Notes as they were typed here last. */
  private lastTyped = '';
  private session = crypto.randomUUID();

  /** The first of the bars, by its played number: one of the part on screen. */
  readonly fromBar = computed(() => {
    const part = this.bench.part();
    const asked = this.bench.arrangement()?.played.bars.find(({ number }) => number === this.barAsked());
    if (!part) return 1;
    // A pick-up belongs to the part it leads into, and to the one before.
    const isHere = asked && asked.tick < part.toTick && asked.tick + asked.length > part.fromTick;
    return isHere ? asked.number : part.fromBar;
  });
  readonly stretch = computed(() => {
    const [arrangement, part, count] = [this.bench.arrangement(), this.bench.part(), this.count()];
    if (!arrangement || !part) return null;
    const fromBar = count === null ? part.fromBar : this.fromBar();
    const toBar = count === null ? part.toBar : Math.max(fromBar, Math.min(part.toBar, fromBar + count - 1));
    const [hand, how, isThisTime] = [this.hand(), this.how(), this.isThisTime()];
    return byHand(arrangement, { hand, how, fromBar, toBar, isThisTime });
  });
  readonly notes = computed(() => this.stretch()?.own.notes ?? []);
  readonly note = computed(() => this.notes()[this.at() ?? -1] ?? null);
  readonly follows = computed(() => {
    const stretch = this.stretch();
    return stretch !== null && followsChords(stretch.own);
  });
  /** Other parts that play what is written here. */
  readonly alsoIn = computed(() => {
    const [stretch, arrangement] = [this.stretch(), this.bench.arrangement()];
    return stretch && arrangement ? alsoPlayedIn(stretch, arrangement) : [];
  });
  readonly isLearned = computed(() => this.bench.part()?.settled === true);
  /** Where the note picked is struck, in played ticks. */
  readonly pickedTick = computed(() => {
    const [stretch, note] = [this.stretch(), this.note()];
    return this.isOpen() && stretch && note ? stretch.fromTick + note.after : null;
  });

  constructor() {
    this.screen.pressed.pipe(takeUntilDestroyed()).subscribe((midi) => {
      if (this.isOpen() && !this.recorder.isBusy()) this.press(midi);
    });
    effect(() => {
      const [stretch, arrangement, song] = [this.stretch(), this.bench.arrangement(), this.bench.song()];
      // What is typed on the way to its arrangement stays as it is typed.
      if (!stretch || arrangement?.song !== song) return;
      untracked(() => {
        const name = JSON.stringify([stretch.own.tick, stretch.own.hand, stretch.own.how, stretch.own.notes]);
        if (name === this.lastTyped) return;
        this.lastTyped = name;
        this.session = crypto.randomUUID();
        this.fault.set(null);
        this.typed.set(writeBars(stretch.own.notes, stretch.bars, this.key()));
      });
    });
  }

  /** The next bar of the part, or the one before; round into the parts beside it. */
  barBy(by: 1 | -1): void {
    const bars = this.stretch()?.bars;
    const all = this.bench.arrangement()?.played.bars;
    if (!bars || !all) return;
    const next = all.find(
      ({ number }) => number === (by === 1 ? bars[bars.length - 1] : bars[0]).number + by,
    );
    if (!next) return;
    this.bench.showTick(next.tick);
    this.barAsked.set(next.number);
    this.at.set(null);
    this.notice.set('');
  }

  /** A key of the seam: its hand, its bar and the note itself are what is changed. */
  pick({ hand, tick, midi }: { readonly hand: Hand; readonly tick: number; readonly midi: number }): void {
    const bars = this.bench.arrangement()?.played.bars;
    if (!bars) return;
    this.hand.set(hand);
    this.barAsked.set(barAt(bars, tick).number);
    const stretch = this.stretch();
    const isIt = ({ after, pitch }: OwnBars['notes'][number]): boolean =>
      stretch !== null && stretch.fromTick + after === tick && midiOf(pitch) === midi;
    const at = this.notes().findIndex(isIt);
    this.at.set(at < 0 ? null : at);
    this.notice.set('');
  }

  /** What is written somewhere is looked at. */
  goTo({ hand, how, pass, tick }: OwnBars): void {
    const bars = this.bench.arrangement()?.played.bars;
    if (!bars) return;
    this.hand.set(hand);
    this.how.set(how);
    this.isThisTime.set(pass !== null);
    this.count.set(1);
    this.bench.showTick(tick);
    this.barAsked.set(barAt(bars, tick).number);
    this.at.set(null);
  }

  noteBy(by: 1 | -1): void {
    const count = this.notes().length;
    const at = this.at();
    const next = at === null ? (by === 1 ? 0 : count - 1) : at + by;
    if (next < 0 || next >= count) return this.barBy(by);
    this.at.set(next);
    const note = this.note();
    if (note) void this.bench.hearing.keys([midiOf(note.pitch)]);
  }

  choose(hand: Hand): void {
    this.hand.set(hand);
    this.at.set(null);
  }

  /** Letters and counts are read as they are typed; what cannot be read is said and changes nothing. */
  type(typed: TypedTune): void {
    const stretch = this.stretch();
    this.typed.set(typed);
    this.at.set(null);
    if (!stretch || this.isLearned() || this.bench.state().isReadOnly) return;
    try {
      const { own, bars } = stretch;
      const { notes, missing } = readBars(typed, bars, this.key(), own.notes, START[own.hand]);
      this.fault.set(missing);
      this.write({ ...own, notes: [...notes] });
      this.lastTyped = JSON.stringify([own.tick, own.hand, own.how, notes]);
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      this.fault.set(error);
    }
  }

  /** Changes the note picked; what cannot be is said. Keys pressed fast wait for one another. */
  change(change: OwnChange): void {
    if (this.isLearned()) return;
    this.bench.whenArranged(() => {
      const [stretch, at] = [this.stretch(), this.at()];
      if (!stretch) return;
      const changed = withChange(stretch.own, at ?? -1, change, this.key());
      this.notice.set(typeof changed === 'string' ? changed : '');
      if (typeof changed === 'string') return;
      this.write(changed.own);
      this.at.set(changed.own.notes.length > 0 ? changed.at : null);
      const note = changed.own.notes[changed.at];
      if (note) void this.bench.hearing.keys([midiOf(note.pitch)]);
    });
  }

  /** Earlier and later, longer and shorter by half a count. */
  readonly half = computed(() => unitTicks(this.stretch()?.bars[0].metre ?? COMMON_TIME) / 2);

  /** A key of the piano is struck with the note picked, or added to what is typed. */
  private press(midi: number): void {
    if (this.note()) return this.change({ kind: 'joined', midi });
    const stretch = this.stretch();
    if (!stretch) return;
    const { letters, counts } = this.typed();
    const { letters: word } = writeBars(
      [{ after: 0, length: 1, pitch: spellInKey(midi, this.key()) }],
      stretch.bars,
      this.key(),
    );
    this.type({ letters: `${letters} ${word}`.trim(), counts });
  }

  /** Played against the click, after a count-in: put on its grid, chords and all. */
  async record(keys: KeySource): Promise<void> {
    const [stretch, song] = [this.stretch(), this.bench.song()];
    if (!stretch || !song || this.isLearned()) return;
    const tempo = lastAtOrBefore(song.tempoMap, stretch.own.tick).quartersPerMinute;
    const quartersPerMinute = (tempo * this.bench.tempoPercent()) / 100;
    this.recorder.quartersPerMinute.set(quartersPerMinute);
    this.notice.set('');
    try {
      const events = await this.recorder.record(keys, {
        bars: stretch.bars,
        fromTick: stretch.fromTick,
        toTick: stretch.fromTick + stretch.own.length,
      });
      const played = quantise(keysOf(events, quartersPerMinute), 60 / quartersPerMinute);
      const notes = asOwnNotes(played.keys, stretch.own.length, this.key());
      if (notes.length === 0) return this.notice.set('Nothing was played. Play after the count-in.');
      this.write({ ...stretch.own, notes });
    } catch (error) {
      this.notice.set(`It could not be recorded: ${messageOf(error)}.`);
    }
  }

  /** The tune once more in the left hand. */
  double(): void {
    const [stretch, arrangement] = [this.stretch(), this.bench.arrangement()];
    const own = stretch && arrangement && doubled(stretch, arrangement);
    this.notice.set(own ? '' : 'The right hand plays no tune here.');
    if (own) this.write(own);
  }

  follow(follows: boolean): void {
    const [stretch, arrangement] = [this.stretch(), this.bench.arrangement()];
    if (stretch && arrangement) this.write(following(stretch, arrangement, follows));
  }

  /** The program's own notes are played here again. */
  giveBack(): void {
    const own = this.stretch()?.own;
    if (!own) return;
    const { hand, how, pass, tick, length } = own;
    this.bench.edit({ kind: 'own-bars-cleared', hand, how, pass, tick, length });
    this.at.set(null);
  }

  hear(): void {
    const stretch = this.stretch();
    if (stretch)
      this.playing.playStretch(stretch.fromTick, stretch.fromTick + stretch.own.length, { stays: true });
  }

  private write(own: OwnBars): void {
    this.bench.edit({ kind: 'own-bars-written', own, session: this.session });
  }

  private key(): ReturnType<typeof keyAt> {
    const played = this.bench.arrangement()?.played;
    return played
      ? keyAt(played, this.stretch()?.fromTick ?? 0)
      : { tonic: { letter: 'C', alter: 0 }, mode: 'major' };
  }
}
