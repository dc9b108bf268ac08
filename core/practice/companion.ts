import type { KeyEvent } from '../takes';
import type { WantedKey } from './wanted';
import { RunningTempo } from './runningTempo';
import { Whereabouts } from './whereabouts';

/** How far ahead of the player what plays along may push: at the tempo of the click, with the player, never before the player. */
export type Pushing = 'strict' | 'follows' | 'waits';

/** What is struck along at one moment of the music, and when. */
export interface NextStrike<T> {
  readonly strikes: readonly T[];
  readonly seconds: number;
}

/**
 * Plays along with a player: finds where the player is, how fast, and when the next strike along is due. Only the next is
 * ever told; it changes with each key. Where the player's own key is overdue it waits.
 */
export class Companion<T extends { readonly seconds: number }> {
  private readonly where: Whereabouts;
  private readonly tempo: RunningTempo;
  /** The moment at which something was struck along last. */
  private struck = -Infinity;

  /** `own`: keys of the player; `other`: what is struck with them, on the same clock; `pace`: seconds a second of the music should take; `beat`: how long one lasts, in seconds of the music. */
  constructor(
    own: readonly WantedKey[],
    readonly other: readonly T[],
    private readonly pace: number,
    private readonly pushing: Pushing,
    beat: number,
  ) {
    this.where = new Whereabouts(own, pace);
    this.tempo = new RunningTempo(pace, beat);
  }

  /** A key of the player. */
  hear(event: KeyEvent): void {
    if (event.velocity === 0 || this.pushing === 'strict') return;
    const { moments, reached: before } = this.where;
    if (!this.where.hear(event)) return;
    const { reached } = this.where;
    const music = moments[reached].seconds;
    // Wherever the player begins, or begins again, it goes along from there.
    const goesBack = reached <= before;
    const passed = this.lastBefore(music);
    this.struck = goesBack ? passed : Math.max(this.struck, passed);
    this.tempo.struck(music, event.seconds);
  }

  /** What is struck along next; null where nothing is to come, or it waits for the player. */
  next(): NextStrike<T> | null {
    const music = this.other.find(({ seconds }) => seconds > this.struck)?.seconds;
    if (music === undefined) return null;
    const strikes = this.other.filter(({ seconds }) => seconds === music);
    const agreed = { strikes, seconds: music * this.pace };
    if (this.pushing === 'strict') return agreed;
    const { moments, reached } = this.where;
    if (reached < 0) return music < moments[0]?.seconds ? agreed : null;
    const awaited = moments[reached + 1]?.seconds ?? Infinity;
    // A strike together with the player's own comes with it, never before it where it waits.
    const mayCome = this.pushing === 'waits' ? music < awaited : music <= awaited;
    return mayCome ? { strikes, seconds: this.tempo.at(music) } : null;
  }

  /** The strike that was told was struck. */
  strike({ strikes }: NextStrike<T>): void {
    this.struck = strikes[0].seconds;
  }

  /** When the player's next moment is expected; null before the first, and after the last. */
  expected(): number | null {
    const awaited = this.where.moments[this.where.reached + 1];
    return awaited === undefined || !this.tempo.isRunning ? null : this.tempo.at(awaited.seconds);
  }

  /** The last moment at which something is struck along before one of the music. */
  private lastBefore(music: number): number {
    return this.other.reduce(
      (last, { seconds }) => (seconds < music - 1e-6 ? Math.max(last, seconds) : last),
      -Infinity,
    );
  }
}
