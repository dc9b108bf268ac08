/** What it costs, where a thing that is its meeting counts about 1. */
export interface FollowingCosts {
  /** That one meeting was passed over. */
  readonly passed: number;
  /** That one begins in the middle, and goes on elsewhere. */
  readonly begins: number;
  readonly elsewhere: number;
  /** That it comes as soon as what was before it, which is the less the nearer it comes to its time. */
  readonly tooSoon: number;
}

/** So many meetings may be passed over at once. */
const MOST_PASSED = 5;
/** So far from the likeliest meeting others are looked at, as long as what comes is found to be meetings. */
const AROUND = 12;
const LOST_AFTER = 4;
/** What comes may be so many seconds off its time for nothing; each more costs, up to the most. */
const OFF_TIME = { free: 0.06, second: 2, most: 0.6 } as const;
/** What comes after more than this share of the time to it is not too soon. */
const SOON = 0.6;
/** How much of a new pace is believed; who is slower or faster than this by a factor stops, or slips. */
const [LEARNS, STOPS] = [0.25, 1.6];

/** Only the last things may be taken back: what was known before them is not needed any more. */
const KEPT = 3;

/** What is known of a performance, by the meeting reached last, counted from 1; 0: none yet. */
interface Reached {
  /** What speaks for it. */
  readonly best: Float32Array;
  /** Which of what came began it, and how many seconds a second of the music takes there. */
  readonly begun: Int32Array;
  readonly pace: Float32Array;
}

interface Column<T> {
  readonly thing: T;
  readonly seconds: number;
  /** The meeting reached before, where this begins one; -1 where it begins none. */
  readonly from: Int16Array;
}

/** What speaks for what just came, by meetings counted from 0. */
export interface Speaking<T> {
  /** For its beginning a meeting. */
  readonly begins: (meeting: number) => number;
  /** For its coming while a meeting goes on that `since` began, when a `share` of the time to the next has passed; of -1: none yet. */
  readonly goesOn: (meeting: number, since: () => readonly T[], share: () => number) => number;
}

/**
 * Finds which of the moments of a music what is played is, as it comes: what speaks most for a way through all of them
 * (dynamic programming), where moments may be passed over, a thing may begin none, and one may go on elsewhere.
 */
export class Follower<T> {
  private readonly columns: Column<T>[] = [];
  /** What was known after each of the last. */
  private readonly known: Reached[] = [];

  /** `moments`: of the music, in seconds, rising; `pace`: how many seconds a second of the music is expected to take. */
  constructor(
    private readonly moments: readonly number[],
    private readonly costs: FollowingCosts,
    private readonly pace = 1,
  ) {}

  /** The last of what came; undefined before the first. */
  get last(): T | undefined {
    return this.columns.at(-1)?.thing;
  }

  /** Takes back the last of what came, up to the last two in a row. */
  takeBack(): void {
    this.columns.pop();
    this.known.pop();
  }

  /** Takes what came at a time. Returns the meeting reached; null before the first. */
  add(thing: T, seconds: number, speaking: Speaking<T>): number | null {
    const n = this.moments.length;
    const was = this.known.at(-1) ?? nothingYet(n, this.pace);
    const top = topOf(was.best);
    const from = new Int16Array(n + 1).fill(-1);
    const best = was.best.map((value, m) =>
      value === -Infinity
        ? value
        : value +
          speaking.goesOn(
            m - 1,
            () => this.since(was.begun[m]),
            () => this.shareOf(was, m, m + 1, seconds),
          ),
    );
    const [begun, pace] = [was.begun.slice(), was.pace.slice()];
    const [first, last] = this.isLost() ? [1, n] : [Math.max(1, top - AROUND), Math.min(n, top + AROUND)];
    for (let m = first; m <= last; m++) {
      const origin = this.originOf(was, top, m, seconds);
      const value = origin.value + speaking.begins(m - 1);
      if (value <= best[m]) continue;
      best[m] = value;
      from[m] = origin.meeting;
      begun[m] = this.columns.length;
      pace[m] = this.paceAfter(was, origin.meeting, m, seconds);
    }
    this.columns.push({ thing, seconds, from });
    this.known.push({ best, begun, pace });
    if (this.known.length > KEPT) this.known.shift();
    const now = topOf(best);
    return now === 0 ? null : now - 1;
  }

  /** Which meeting each of the last began, judged by all that came; null for none. */
  path(count = this.columns.length): { readonly thing: T; readonly meeting: number | null }[] {
    let at = topOf(this.known.at(-1)?.best ?? new Float32Array(1));
    return this.columns
      .slice(this.columns.length - Math.min(count, this.columns.length))
      .reverse()
      .map(({ thing, from }) => {
        const origin = from[at];
        if (origin < 0) return { thing, meeting: null };
        const meeting = at - 1;
        at = origin;
        return { thing, meeting };
      })
      .reverse();
  }

  private since(begun: number): readonly T[] {
    return begun < 0 ? [] : this.columns.slice(begun).map(({ thing }) => thing);
  }

  /** From which meeting one comes to another best. */
  private originOf(
    was: Reached,
    top: number,
    to: number,
    seconds: number,
  ): { value: number; meeting: number } {
    let [value, meeting] = [was.best[top] - (top === 0 ? this.costs.begins : this.costs.elsewhere), top];
    for (let at = to - 1; at >= Math.max(0, to - 1 - MOST_PASSED); at--) {
      if (was.best[at] === -Infinity) continue;
      const through = was.best[at] - this.costs.passed * (to - 1 - at) - this.offTime(was, at, to, seconds);
      if (through > value) [value, meeting] = [through, at];
    }
    return { value, meeting };
  }

  private offTime({ begun, pace }: Reached, from: number, to: number, seconds: number): number {
    if (from === 0) return 0;
    const due = pace[from] * this.musicBetween(from, to);
    const off = Math.abs(seconds - this.columns[begun[from]].seconds - due) - OFF_TIME.free;
    const soon = Math.max(0, 1 - this.shareOf({ begun, pace }, from, to, seconds) / SOON);
    return Math.min(OFF_TIME.most, Math.max(0, off) * OFF_TIME.second) + this.costs.tooSoon * soon;
  }

  /** The share of the time from one meeting to another that has passed. */
  private shareOf(
    { begun, pace }: Pick<Reached, 'begun' | 'pace'>,
    from: number,
    to: number,
    seconds: number,
  ): number {
    if (from === 0 || to > this.moments.length) return 0;
    return (seconds - this.columns[begun[from]].seconds) / (pace[from] * this.musicBetween(from, to));
  }

  private paceAfter({ begun, pace }: Reached, from: number, to: number, seconds: number): number {
    if (from === 0 || from >= to) return pace[from];
    const now = (seconds - this.columns[begun[from]].seconds) / this.musicBetween(from, to);
    return now > STOPS * pace[from] || now < pace[from] / STOPS
      ? pace[from]
      : pace[from] + LEARNS * (now - pace[from]);
  }

  private musicBetween(from: number, to: number): number {
    return this.moments[to - 1] - this.moments[from - 1];
  }

  /** None of the last began a meeting, or there was none yet: one may be anywhere. */
  private isLost(): boolean {
    return this.path(LOST_AFTER).every(({ meeting }) => meeting === null);
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
    begun: new Int32Array(n + 1).fill(-1),
    pace: new Float32Array(n + 1).fill(pace),
  };
}
