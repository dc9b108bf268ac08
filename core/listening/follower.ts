import type { Strike } from './ear';
import type { KeyShapes } from './keyShapes';
import type { Meeting } from './meetings';
import { type Likened, speaksFor } from './verdict';

/** What it costs that a strike is none of the meetings, that a meeting was passed over, that one begins in the middle, and goes on elsewhere. */
const COST = { noMeeting: 0.15, passed: 0.45, begins: 0.8, elsewhere: 2.2 } as const;
/** So many meetings may be passed over at once. */
const MOST_PASSED = 5;
/** So far from the likeliest meeting others are looked at, as long as strikes are found to be meetings. */
const AROUND = 12;
const LOST_AFTER = 4;
/** A strike may be so many seconds off its time for nothing; each more costs, up to the most. */
const OFF_TIME = { free: 0.06, second: 2, most: 0.6 } as const;
/** How much of a new pace is believed; who is slower or faster than this by a factor stops, or slips. */
const [LEARNS, STOPS] = [0.25, 1.6];

/** Only the last strikes may be heard anew: what was known before them is not needed any more. */
const KEPT = 3;

/** What is known of a performance after a strike, by the meeting reached last; 0: none yet. */
interface Reached {
  /** What speaks for it. */
  readonly best: Float32Array;
  /** When that meeting was struck, and how many seconds a second of the music takes there. */
  readonly struck: Float64Array;
  readonly pace: Float32Array;
}

interface Column {
  readonly likened: Likened;
  /** The meeting reached before, where the strike is this one; -1 where it is none. */
  readonly from: Int16Array;
}

/**
 * Finds which of the meetings each strike is, as strikes come: what speaks most for a way through all of them (dynamic
 * programming), where meetings may be passed over, strikes may be none, and one may begin anew elsewhere.
 */
export class Follower {
  private readonly columns: Column[] = [];
  /** What was known after each of the last strikes. */
  private readonly reached: Reached[] = [];
  private readonly keysBeside: readonly (readonly number[])[];

  /** `pace`: how many seconds a second of the music is expected to take. */
  constructor(
    private readonly meetings: readonly Meeting[],
    private readonly shapes: KeyShapes,
    private readonly pace = 1,
  ) {
    this.keysBeside = meetings.map((_, m) =>
      [m - 1, m + 1].flatMap((at) => (at in meetings ? meetings[at].keys : [])),
    );
  }

  /** Keys of the meetings before and after one. */
  beside(meeting: number): readonly number[] {
    return this.keysBeside[meeting];
  }

  /** Takes one more strike, or one that is now heard in full. Returns the meeting reached; null before the first. */
  add(likened: Likened): number | null {
    const { strike, came } = likened;
    while ((this.columns.at(-1)?.likened.strike.number ?? -1) >= strike.number) {
      this.columns.pop();
      this.reached.pop();
    }
    const n = this.meetings.length;
    const was = this.reached.at(-1) ?? nothingYet(n, this.pace);
    const top = topOf(was.best);
    const best = was.best.map((value) => value - COST.noMeeting);
    const from = new Int16Array(n + 1).fill(-1);
    const [struck, pace] = [was.struck.slice(), was.pace.slice()];
    const [first, last] = this.isLost() ? [1, n] : [Math.max(1, top - AROUND), Math.min(n, top + AROUND)];
    for (let m = first; m <= last; m++) {
      const origin = this.originOf(was, top, m, strike.seconds);
      const value = origin.value + speaksFor(this.shapes, came, this.meetings[m - 1], this.keysBeside[m - 1]);
      if (value <= best[m]) continue;
      best[m] = value;
      from[m] = origin.meeting;
      struck[m] = strike.seconds;
      pace[m] = this.paceAfter(was, origin.meeting, m, strike);
    }
    this.columns.push({ likened, from });
    this.reached.push({ best, struck, pace });
    if (this.reached.length > KEPT) this.reached.shift();
    const now = topOf(best);
    return now === 0 ? null : now - 1;
  }

  /** From which meeting one comes to another best. */
  private originOf(
    was: Reached,
    top: number,
    to: number,
    seconds: number,
  ): { value: number; meeting: number } {
    let [value, meeting] = [was.best[top] - (top === 0 ? COST.begins : COST.elsewhere), top];
    for (let at = to - 1; at >= Math.max(0, to - 1 - MOST_PASSED); at--) {
      const through = was.best[at] - COST.passed * (to - 1 - at) - this.offTime(was, at, to, seconds);
      if (through > value) [value, meeting] = [through, at];
    }
    return { value, meeting };
  }

  private offTime({ struck, pace }: Reached, from: number, to: number, seconds: number): number {
    if (from === 0) return 0;
    const off = Math.abs(seconds - struck[from] - pace[from] * this.musicBetween(from, to)) - OFF_TIME.free;
    return Math.min(OFF_TIME.most, Math.max(0, off) * OFF_TIME.second);
  }

  private paceAfter({ struck, pace }: Reached, from: number, to: number, { seconds }: Strike): number {
    if (from === 0 || from >= to) return pace[from];
    const now = (seconds - struck[from]) / this.musicBetween(from, to);
    return now > STOPS * pace[from] || now < pace[from] / STOPS
      ? pace[from]
      : pace[from] + LEARNS * (now - pace[from]);
  }

  private musicBetween(from: number, to: number): number {
    return this.meetings[to - 1].seconds - this.meetings[from - 1].seconds;
  }

  /** None of the last strikes was a meeting, or there was none yet: one may be anywhere. */
  private isLost(): boolean {
    return this.path(LOST_AFTER).every(({ meeting }) => meeting === null);
  }

  /** Which meeting each of the last strikes was, judged by all that was heard; null for none. */
  path(count = this.columns.length): { readonly likened: Likened; readonly meeting: number | null }[] {
    let at = topOf(this.reached.at(-1)?.best ?? new Float32Array(1));
    return this.columns
      .slice(this.columns.length - Math.min(count, this.columns.length))
      .reverse()
      .map(({ likened, from }) => {
        const origin = from[at];
        if (origin < 0) return { likened, meeting: null };
        const meeting = at - 1;
        at = origin;
        return { likened, meeting };
      })
      .reverse();
  }
}

function topOf(values: Float32Array): number {
  let top = 0;
  for (let i = 1; i < values.length; i++) if (values[i] > values[top]) top = i;
  return top;
}

function nothingYet(n: number, pace: number): Reached {
  return {
    best: Float32Array.from({ length: n + 1 }, (_, m) => (m === 0 ? 0 : -Infinity)),
    struck: new Float64Array(n + 1),
    pace: new Float32Array(n + 1).fill(pace),
  };
}
