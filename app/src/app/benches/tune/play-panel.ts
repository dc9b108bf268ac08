import { inWords } from '@joined-hands/core/sentences';
import { tempoNote } from '@joined-hands/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  asBeatsPerMinute,
  asQuartersPerMinute,
  barTicks,
  COMMON_TIME,
  TICKS_PER_QUARTER,
} from '@joined-hands/core/music';
import type { Stretch } from '@joined-hands/core/performance';
import { barAt, lastAtOrBefore, keyAt, writtenBars } from '@joined-hands/core/song';
import {
  compareTakes,
  type Grid,
  gridSaid,
  type KeyEvent,
  type Mistake,
  movedSaid,
  type Take,
  takeOf,
  type TuneKey,
  withTake,
} from '@joined-hands/core/takes';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { simulatedKeys } from '../../input/key-sources';
import { type Playable, PlayOn } from '../../input/play-on';
import { type KeySource, Recorder } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { HEARD_BY_MICROPHONE, microphoneKeys } from '../../input/microphone';
import { Judge } from '../../workers/judge';
import { ON_COMPUTER, ON_MIDI, onScreen, simulated, type Way } from '../../input/ways';
import { TuneState } from './tune-state';
import { messageOf } from '../../ui/message';

interface Kept {
  readonly number: number;
  readonly events: readonly KeyEvent[];
  readonly take: Take;
  readonly quartersPerMinute: number;
  readonly stretch: Stretch;
  readonly facts: string;
}

/** What the simulated pianist plays where the song has no tune yet: a made-up phrase of two bars. */
const OWN_PHRASE: readonly TuneKey[] = [62, 65, 69, 67, 65, 64, 62].map((midi, i) => ({
  beat: i,
  beats: 1,
  midi,
}));

/** What a microphone hears of a tune nobody knows. */
const HEARD_ALONE = `Single notes are heard. ${HEARD_BY_MICROPHONE}`;

/** Playing a stretch in: takes against a click, put on a grid, compared, kept or discarded. */
@Component({
  selector: 'jh-play-panel',
  imports: [FormsModule, NzButtonComponent, NzInputNumberModule, NzSelectModule, PlayOn],
  templateUrl: './play-panel.html',
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlayPanel {
  private readonly tune = inject(TuneState);
  protected readonly bench = this.tune.bench;
  protected readonly recorder = inject(Recorder);

  private readonly judge = inject(Judge);
  protected readonly ways = [
    simulated(() => this.simulatedKeys()),
    ON_COMPUTER,
    onScreen(inject(ScreenKeyboard)),
    ON_MIDI,
    { label: 'Microphone', note: HEARD_ALONE, keys: () => microphoneKeys(this.judge, null) },
  ];
  protected readonly mistake = signal<Mistake['kind'] | 'none'>('none');
  protected readonly mistakes = [
    { value: 'none', label: 'no mistakes' },
    { value: 'wrong-key', label: 'a wrong key' },
    { value: 'left-out', label: 'a note left out' },
    { value: 'struck-twice', label: 'a note struck twice' },
  ];
  protected readonly bars = signal(2);
  protected readonly takes = signal<readonly Kept[]>([]);
  protected readonly problem = signal<string | null>(null);
  private seed = 1;
  /** Which note the simulated pianist stumbles on. */
  private static readonly STUMBLES_ON = 2;

  constructor() {
    const song = this.bench.song();
    if (song) this.recorder.quartersPerMinute.set(Math.round(song.tempoMap[0].quartersPerMinute));
  }

  /** What the click counts, and how many a minute. */
  private readonly metre = computed(() => this.bench.song()?.metreMap[0] ?? COMMON_TIME);
  protected readonly clicks = computed(() => tempoNote(this.metre()));
  protected readonly tempo = computed(() =>
    Math.round(asBeatsPerMinute(this.metre(), this.recorder.quartersPerMinute())),
  );

  protected setTempo(beats: number | null): void {
    if (beats !== null) this.recorder.quartersPerMinute.set(asQuartersPerMinute(this.metre(), beats));
  }

  protected readonly fromBar = computed(() => Math.max(1, this.tune.writtenBar()));
  /** The bars recorded. */
  private readonly stretch = computed((): Stretch | null => {
    const song = this.bench.song();
    if (!song) return null;
    const bars = writtenBars(song);
    const from = bars.find((b) => b.number === this.fromBar())?.tick ?? 0;
    const ticks = this.bars() * barTicks(lastAtOrBefore(song.metreMap, from));
    return { bars, fromTick: from, toTick: from + ticks };
  });

  /** What is played on. */
  protected readonly way = signal<Way | null>(null);

  protected async record({ keys, way }: Playable): Promise<void> {
    this.way.set(way);
    const [arrangement, stretch] = [this.bench.arrangement(), this.stretch()];
    if (!arrangement || !stretch) return;
    this.problem.set(null);
    const quartersPerMinute = this.recorder.quartersPerMinute();
    try {
      const events = await this.recorder.record(keys, stretch);
      if (events.length === 0)
        return this.problem.set(
          'Nothing was played. The click goes on for the bars asked for; play after the count-in.',
        );
      const take = takeOf(events, quartersPerMinute, keyAt(arrangement.played, stretch.fromTick));
      this.add(events, take, quartersPerMinute, stretch);
    } catch (error) {
      this.problem.set(`It could not be recorded: ${messageOf(error)}.`);
    }
  }

  private simulatedKeys(): KeySource {
    const kind = this.mistake();
    const mistakes: Mistake[] = kind === 'none' ? [] : [{ kind, note: PlayPanel.STUMBLES_ON }];
    return simulatedKeys(this.tuneHere(), this.recorder.quartersPerMinute(), this.seed++, mistakes);
  }

  /** The song's own notes in the stretch, else a phrase of its own. */
  private tuneHere(): readonly TuneKey[] {
    const { fromTick, toTick } = this.stretch() ?? { fromTick: 0, toTick: 0 };
    const here = this.tune.played().filter((n) => n.tick >= fromTick && n.tick < toTick && !n.grace);
    if (here.length === 0) return OWN_PHRASE;
    return here.map((n) => ({
      beat: (n.tick - fromTick) / TICKS_PER_QUARTER,
      beats: n.length / TICKS_PER_QUARTER,
      midi: n.midi,
    }));
  }

  private add(events: readonly KeyEvent[], take: Take, quartersPerMinute: number, stretch: Stretch): void {
    const last = this.takes()[0];
    const number = (last?.number ?? 0) + 1;
    const moved = inWords(movedSaid(take.quantised, 60 / quartersPerMinute));
    const against = last ? ` Beside attempt ${last.number}: ${compareTakes(take, last.take)}.` : '';
    const facts = `${take.melody.length} notes, ${inWords(gridSaid(take.quantised.grid))}; ${moved}.${against}`;
    this.takes.update((takes) => [{ number, events, take, quartersPerMinute, stretch, facts }, ...takes]);
  }

  /** The same keys on another grid. */
  protected regrid(kept: Kept, grid: Grid | null): void {
    const arrangement = this.bench.arrangement();
    if (!arrangement) return;
    const take = takeOf(
      kept.events,
      kept.quartersPerMinute,
      keyAt(arrangement.played, kept.stretch.fromTick),
      grid,
    );
    const moved = inWords(movedSaid(take.quantised, 60 / kept.quartersPerMinute));
    const facts = `${take.melody.length} notes, ${inWords(gridSaid(take.quantised.grid))}; ${moved}.`;
    this.takes.update((takes) => takes.map((t) => (t.number === kept.number ? { ...t, take, facts } : t)));
  }

  protected async hear({ take }: Kept): Promise<void> {
    await this.bench.hearing.line(take.melody);
  }

  /** Puts the take in the place of what stood in its bars. */
  protected keep(kept: Kept): void {
    const song = this.bench.song();
    if (!song) return;
    const { bars, fromTick, toTick } = kept.stretch;
    const whole = barTicks(lastAtOrBefore(song.metreMap, fromTick));
    const lastBar = barAt(bars, fromTick).number - 1 + (toTick - fromTick) / whole;
    const barCount = Math.max(song.barCount, lastBar);
    const taken = withTake(song, kept.take, fromTick, toTick - fromTick);
    this.tune.take('attempt kept', null, { ...taken, barCount });
    this.discard(kept);
  }

  protected discard({ number }: Kept): void {
    this.takes.update((takes) => takes.filter((take) => take.number !== number));
  }
}
