import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type AlongStrike,
  type Companion,
  type Judgement,
  LiveTake,
  type WantedKey,
} from '@joined-hands/core/practice';
import type { HandNote } from '@joined-hands/core/hands';
import { barAt } from '@joined-hands/core/song';
import { inAnyOctave } from '../../input/key-sources';
import type { KeyEvent } from '@joined-hands/core/takes';
import { signOf } from '@joined-hands/core/words';
import type { NoteMark } from '../../frame/seam-shapes';
import { BenchState } from '../../frame/bench-state';
import { leftShapeOf, shapeOf } from '../../frame/seam-keys';
import { type KeySource, Recorder } from '../../input/recorder';
import { Judge } from '../../workers/judge';

/** What is wanted of a turn, and at what tempo it is clicked. */
interface TurnWanted {
  readonly wanted: readonly WantedKey[];
  readonly fromTick: number;
  readonly toTick: number;
  readonly quartersPerMinute: number;
  /** When a tick is due at that tempo, in seconds. */
  readonly secondsAt: (tick: number) => number;
  /** How many seconds a second of the music is to take. */
  readonly pace: number;
  /** One beat is counted in, and not a bar. */
  readonly countsInBeat: boolean;
  /** Plays along; null where it is only clicked to. */
  readonly along: Companion<AlongStrike> | null;
  /** Whether it is clicked to all through, and not only counted in. */
  readonly isClicked: boolean;
}

/** As hard as a key can be struck. */
const MOST_FORCE = 127;

/** One turn as it is played: heard against a click, followed key by key, and judged once it is over. */
@Injectable()
export class Listening {
  private readonly bench = inject(BenchState);
  private readonly recorder = inject(Recorder);
  private readonly judging = inject(Judge);
  readonly judgement = signal<Judgement | null>(null);
  /** The turn before at the same task, judged by what is wanted now; null where there is none. */
  readonly before = signal<Judgement | null>(null);
  /** Which of the two is laid over the seam. */
  readonly isBeforeShown = signal(false);
  private readonly shown = computed(() => (this.isBeforeShown() ? this.before() : this.judgement()));
  /** Keys that went wrong so far in the take that is being played. */
  private readonly live = signal<readonly WantedKey[]>([]);
  /** Where the take that is being played has come to; null while none is. */
  readonly reached = signal<number | null>(null);
  readonly isListening = computed(() => this.recorder.isBusy());
  /** Where the click is; where nothing is clicked to, the bar the player has come to. */
  readonly counted = computed(() => {
    const [reached, arrangement] = [this.reached(), this.bench.arrangement()];
    if (this.isClicked() || reached === null || !arrangement) return this.recorder.counted();
    return `Bar ${barAt(arrangement.played.bars, reached).number}`;
  });
  private readonly isClicked = signal(true);

  /** Nothing of the last turn is shown any more, and what is being played is not listened to. */
  clear(): void {
    this.show(null, null);
    this.live.set([]);
    this.recorder.stop();
  }

  /** Lays a turn over the seam, beside the one before it. */
  show(judgement: Judgement | null, before: Judgement | null): void {
    this.judgement.set(judgement);
    this.before.set(before);
    this.isBeforeShown.set(false);
  }

  /** The turn is over; what was played so far is judged. */
  stop(): void {
    this.recorder.stop();
  }

  /** Listens to a turn. Rejects where there is no sound. */
  async hear(source: KeySource, turn: TurnWanted): Promise<KeyEvent[]> {
    this.clear();
    this.recorder.quartersPerMinute.set(turn.quartersPerMinute);
    this.isClicked.set(turn.isClicked);
    const take = new LiveTake(turn.wanted, source.inFull !== undefined);
    const heard = (event: KeyEvent): void => {
      const stand = take.hear(event);
      this.live.set(stand.wrong);
      this.reached.set(stand.reached?.tick ?? null);
    };
    try {
      const { fromTick, toTick, countsInBeat, along, isClicked, secondsAt } = turn;
      const bars = this.bench.arrangement()?.played.bars ?? [];
      const keys = source.isAnyOctave ? inAnyOctave(source, turn.wanted, turn.pace) : source;
      return await this.recorder.record(
        keys,
        { bars, fromTick, toTick },
        {
          heard,
          countsInBeat,
          isClicked,
          secondsAt,
          ...(along ? { along } : {}),
          // Else a turn begun a little late would be told to have stopped before the end.
          hasMoreToCome: () => (this.reached() ?? -1) < (turn.wanted.at(-1)?.tick ?? -1),
        },
      );
    } finally {
      this.reached.set(null);
    }
  }

  /** Judges keys that were played, in a worker. */
  readonly judge: Judge['judge'] = (...take) => this.judging.judge(...take);

  /** Keys that went wrong, in the take of now or the last one, as the seam calls them. */
  readonly wrongNotes = computed((): readonly string[] => {
    const judgement = this.shown();
    const keys = judgement
      ? judgement.keys.flatMap(({ how, wanted }) =>
          how === 'right' || how === 'not-reached' || how === 'not-heard' ? [] : [wanted],
        )
      : this.live();
    const off = new Set(keys.map(nameOf));
    return [...this.shapes()].flatMap(([name, shapes]) => (off.has(name) ? shapes : []));
  });

  /** How each key of the turn that is shown was played, by what the seam calls it. */
  readonly marks = computed((): ReadonlyMap<string, NoteMark> => {
    const shapes = this.shapes();
    return new Map(
      (this.shown()?.keys ?? []).flatMap(({ how, wanted, force }) => {
        const mark = { sign: signOf(how) ?? '', loudness: force === null ? null : force / MOST_FORCE };
        return (shapes.get(nameOf(wanted)) ?? []).map((shape) => [shape, mark] as const);
      }),
    );
  });

  /** What the seam calls each key. */
  private readonly shapes = computed((): ReadonlyMap<string, readonly string[]> => {
    const arrangement = this.bench.arrangement();
    const named = [
      ...(arrangement?.right ?? []).map((note) => [nameOf(note), shapeOf(note)] as const),
      ...(arrangement?.left ?? []).map((note) => [nameOf(note), leftShapeOf(note)] as const),
    ];
    const shapes = new Map<string, string[]>();
    for (const [name, shape] of named) shapes.set(name, [...(shapes.get(name) ?? []), shape]);
    return shapes;
  });
}

function nameOf({ hand, tick, midi }: Pick<HandNote, 'hand' | 'tick' | 'midi'>): string {
  return `${hand} ${tick} ${midi}`;
}
