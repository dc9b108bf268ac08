import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { TICKS_PER_QUARTER } from '@joined-hands/core/music';
import { stepsIn } from '@joined-hands/core/joining';
import { Clock } from '@joined-hands/core/performance';
import {
  type JudgedRhythm,
  judgeRhythm,
  type KeyEvent,
  type Stroke,
  type TuneKey,
} from '@joined-hands/core/takes';
import { type CountedStroke, rhythmInWords } from '@joined-hands/core/words';
import { BenchState } from '../../frame/bench-state';
import { simulatedKeys, TAP_KEYS, TwoHandTaps } from '../../input/key-sources';
import { type KeySource, Recorder } from '../../input/recorder';
import { messageOf } from '../../ui/message';

/** The rhythm of both hands of a part, tapped on two keys and judged. */
@Injectable()
export class TapState {
  private readonly bench = inject(BenchState);
  private readonly recorder = inject(Recorder);

  readonly judged = signal<JudgedRhythm<CountedStroke> | null>(null);
  readonly problem = signal('');
  readonly isTapping = computed(() => this.recorder.isBusy());
  readonly counted = computed(() => this.recorder.counted());

  constructor() {
    // What was tapped is of the part as it was.
    effect(() => {
      this.wanted();
      untracked(() => this.judged.set(null));
    });
  }

  /** Quarters a minute at which the part is tapped: as it is heard. */
  readonly tempo = computed(() => {
    const own = this.bench.song()?.tempoMap[0].quartersPerMinute ?? 96;
    return Math.max(20, Math.round((own * this.bench.place().tempoPercent) / 100));
  });

  /** Every strike of the part by hand, once where a hand strikes more than one key, in seconds from its beginning. */
  readonly wanted = computed((): readonly CountedStroke[] => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    if (!arrangement || !part) return [];
    const clock = new Clock([{ tick: 0, quartersPerMinute: this.tempo() }], arrangement.song.feel);
    const start = clock.secondsAt(part.fromTick);
    return stepsIn(arrangement, part).flatMap(({ tick, bar, count, right, left }) => {
      const at = { seconds: clock.secondsAt(tick) - start, bar, count };
      return [
        ...(right.length > 0 ? [{ hand: 'right' as const, ...at }] : []),
        ...(left.length > 0 ? [{ hand: 'left' as const, ...at }] : []),
      ];
    });
  });
  /** Seconds the part lasts. */
  readonly seconds = computed(() => {
    const part = this.bench.part();
    return part ? ((part.toTick - part.fromTick) * 60) / (this.tempo() * TICKS_PER_QUARTER) : 0;
  });
  readonly words = computed(() => {
    const judged = this.judged();
    return judged ? rhythmInWords(judged) : [];
  });

  /** Taps on two keys of the computer. */
  tap(): Promise<void> {
    return this.record(new TwoHandTaps());
  }

  /** The same by the simulated pianist, whose left hand lags. */
  simulate(): Promise<void> {
    const beat = this.tempo() / 60;
    const tune = this.wanted().map(({ hand, seconds }): TuneKey => ({
      beat: (seconds + (hand === 'left' ? LAG_SECONDS : 0)) * beat,
      beats: 0.1,
      midi: TAP_KEYS[hand],
    }));
    return this.record(simulatedKeys(tune, this.tempo(), 5, []));
  }

  private async record(source: KeySource): Promise<void> {
    const [part, bars] = [this.bench.part(), this.bench.arrangement()?.played.bars];
    if (!part || !bars) return;
    this.problem.set('');
    this.judged.set(null);
    try {
      this.recorder.quartersPerMinute.set(this.tempo());
      const events = await this.recorder.record(source, { ...part, bars });
      this.judged.set(judgeRhythm(this.wanted(), strokesOf(events)));
    } catch (error) {
      this.problem.set(`The taps could not be heard: ${messageOf(error)}.`);
    }
  }

  stop(): void {
    this.recorder.stop();
  }
}

/** How far the left hand of the simulated pianist comes after the right. */
const LAG_SECONDS = 0.08;

function strokesOf(events: readonly KeyEvent[]): Stroke[] {
  return events.flatMap(({ midi, seconds, velocity }) =>
    velocity > 0 ? [{ hand: midi === TAP_KEYS.left ? ('left' as const) : ('right' as const), seconds }] : [],
  );
}
