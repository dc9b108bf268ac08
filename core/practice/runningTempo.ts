/** Where a performance is: seconds (in beats), the tempo it has on the whole, how far it is from that, and how fast that changes. */
type State = readonly [at: number, whole: number, off: number, turning: number];

/**
 * Who plays freely goes and comes back: the tempo swings about the one on the whole, and dies down to it. How fast it swings
 * and dies down, a beat; how freely it changes, and how freely the whole does, in the noise of a beat. Found on songs of the
 * demo with players that breathe and lean (`npm run bench -- listening`).
 */
const [SWINGS, DIES, CHANGES, WHOLE_CHANGES] = [0.7, 0.5, 0.15, 0.02];
/** How exactly keys are struck, in seconds. */
const STRIKES = 0.02;
/** A strike so many standard deviations off, and so many seconds, is a stop: the clock is moved, the tempo kept. */
const [STOP_SIGMAS, STOP_SECONDS] = [4, 0.15];
/** How far off the tempo may be at first: on the whole a third, and a little more for the moment. */
const AT_FIRST = [0.11, 0.02, 0.05];
const STEP = 0.05;

/** What is known a step later; linear, so that it carries states and their variances alike. */
function later([at, whole, off, turning]: State, by: number): State {
  return [
    at + by * (whole + off),
    whole,
    off + by * turning,
    turning - by * (SWINGS ** 2 * off + DIES * turning),
  ];
}

type Variance = readonly [State, State, State, State];

function transposed(m: Variance): Variance {
  const column = (i: 0 | 1 | 2 | 3): State => [m[0][i], m[1][i], m[2][i], m[3][i]];
  return [column(0), column(1), column(2), column(3)];
}

function varianceLater(variance: Variance, by: number): Variance {
  const all = (m: Variance): Variance => [later(m[0], by), later(m[1], by), later(m[2], by), later(m[3], by)];
  const [at, [a, whole, b, c], off, [d, e, f, turning]] = all(transposed(all(variance)));
  return [at, [a, whole + WHOLE_CHANGES ** 2 * by, b, c], off, [d, e, f, turning + CHANGES ** 2 * by]];
}

/** When each moment of the music comes, told from the strikes so far. Source: Kalman 1960. */
export class RunningTempo {
  private music = 0;
  private state: State;
  private variance: Variance = [
    [0, 0, 0, 0],
    [0, AT_FIRST[0], 0, 0],
    [0, 0, AT_FIRST[1], 0],
    [0, 0, 0, AT_FIRST[2]],
  ];

  /** `pace`: seconds a second of the music is expected to take; `beat`: how long a beat of the music lasts, in seconds. */
  constructor(
    pace: number,
    private readonly beat: number,
  ) {
    this.state = [Number.NaN, pace, 0, 0];
  }

  get isRunning(): boolean {
    return !Number.isNaN(this.state[0]);
  }

  /** When a moment of the music comes, in seconds. */
  at(music: number): number {
    let { state } = this;
    for (const step of this.stepsTo(music)) state = later(state, step);
    return state[0] * this.beat;
  }

  /** A moment of the music was struck. */
  struck(music: number, seconds: number): void {
    if (!this.isRunning || music < this.music) return this.moveTo(music, seconds);
    let { state, variance } = this;
    for (const step of this.stepsTo(music)) {
      state = later(state, step);
      variance = varianceLater(variance, step);
    }
    const off = seconds / this.beat - state[0];
    const spread = variance[0][0] + (STRIKES / this.beat) ** 2;
    [this.music, this.state, this.variance] = [music, state, variance];
    const isStop =
      Math.abs(off) * this.beat > STOP_SECONDS && Math.abs(off) > STOP_SIGMAS * Math.sqrt(spread);
    if (isStop) return this.moveTo(music, seconds);
    const told = variance[0].map((both) => both / spread);
    const [at, whole, ...others] = state.map((value, i) => value + told[i] * off);
    this.state = [at, Math.max(0.2, whole), others[0], others[1]];
    const [first] = variance;
    const less = (row: State, i: number): State => {
      const [a, b, c, d] = row.map((value, j) => value - told[i] * first[j]);
      return [a, b, c, d];
    };
    this.variance = [less(variance[0], 0), less(variance[1], 1), less(variance[2], 2), less(variance[3], 3)];
  }

  /** From where one is to a moment, in steps of a beat; back, in one. */
  private stepsTo(music: number): number[] {
    const by = (music - this.music) / this.beat;
    const count = Math.max(1, Math.ceil(by / STEP));
    return Array.from({ length: count }, () => by / count);
  }

  private moveTo(music: number, seconds: number): void {
    const [, whole, off, turning] = this.state;
    const [, b, c, d] = this.variance;
    const exact = (STRIKES / this.beat) ** 2;
    this.music = music;
    this.state = [seconds / this.beat, whole, off, turning];
    this.variance = [
      [exact, 0, 0, 0],
      [0, b[1], b[2], b[3]],
      [0, c[1], c[2], c[3]],
      [0, d[1], d[2], d[3]],
    ];
  }
}
