import type { KeyEvent } from '../takes';
import { isNear } from './outOfOrder';
import type { WantedKey } from './wanted';

/** Keys struck within this, in seconds, are one strike. */
const TOGETHER = 0.08;
/** So many moments may be left out. */
const MOST_LEFT_OUT = 3;
/** So many strikes tell where one is who is not where one was. */
const TELLING = 3;

/** Finds which moment of the music a player has reached, key by key, with nothing to come known: for who plays along. */
export class Whereabouts {
  readonly moments: readonly { readonly seconds: number; readonly keys: ReadonlySet<number> }[];
  private at = -1;
  private strikes: { readonly seconds: number; readonly keys: Set<number> }[] = [];

  constructor(wanted: readonly WantedKey[]) {
    const keys = new Map<number, Set<number>>();
    for (const { seconds, midi } of wanted) keys.set(seconds, (keys.get(seconds) ?? new Set()).add(midi));
    this.moments = [...keys]
      .map(([seconds, of]) => ({ seconds, keys: of }))
      .sort((a, b) => a.seconds - b.seconds);
  }

  /** The moment reached, counted from 0; -1 before the first. */
  get reached(): number {
    return this.at;
  }

  /** A key came. `isTimely`: the next moment was due about now, so that a neighbour of its key is meant for it. Whether a new moment is reached. */
  hear({ midi, seconds }: KeyEvent, isTimely: boolean): boolean {
    const last = this.strikes.at(-1);
    const isSame = last !== undefined && seconds - last.seconds < TOGETHER;
    if (isSame) last.keys.add(midi);
    else this.strikes = [...this.strikes.slice(1 - TELLING), { seconds, keys: new Set([midi]) }];
    if (isSame && this.moments[this.at]?.keys.has(midi)) return false;
    const next =
      this.nextWith(midi) ??
      (isTimely && !isSame && this.isSlipForNext(midi) ? this.at + 1 : null) ??
      this.elsewhere();
    if (next === null) return false;
    this.at = next;
    return true;
  }

  /** The next moment with a key: at the beginning the first alone. */
  private nextWith(midi: number): number | null {
    const ahead = this.at < 0 ? 1 : MOST_LEFT_OUT;
    for (let by = 1; by <= ahead; by++) if (this.moments[this.at + by]?.keys.has(midi)) return this.at + by;
    return null;
  }

  private isSlipForNext(midi: number): boolean {
    return [...(this.moments[this.at + 1]?.keys ?? [])].some((key) => isNear(midi - key));
  }

  /** The nearest place where the last strikes are moments in a row; null where there is none. */
  private elsewhere(): number | null {
    if (this.strikes.length < TELLING) return null;
    const fits = this.moments.flatMap((_, end) =>
      this.strikes.every(({ keys }, i) =>
        [...keys].some((key) => this.moments[end - TELLING + 1 + i]?.keys.has(key)),
      )
        ? [end]
        : [],
    );
    const others = fits.filter((end) => end !== this.at);
    return others.sort((a, b) => Math.abs(a - this.at) - Math.abs(b - this.at))[0] ?? null;
  }
}
