import type { KeyEvent } from '../takes';
import { align } from './align';
import type { Alignment } from './alignment';
import type { WantedKey } from './wanted';

/** How a take goes while it is played. */
export interface LiveStand {
  /** Keys that were wanted and came as another, or were passed over. */
  readonly wrong: readonly WantedKey[];
  /** The key reached; null before the first. */
  readonly reached: WantedKey | null;
}

/** Keys struck of late that may still be taken otherwise; when there are twice as many, the others are settled. */
const OPEN_KEYS = 64;
const AHEAD = 80;
/** After so many keys of which none was right the player is somewhere else: looked for by as many, most of which must fit. */
const LOST_KEYS = 8;
const FOUND_SHARE = 0.75;
/** Keys of so many moments up to the one reached may still come, or be found in another order: what is passed over there is not missed yet. */
const STILL_COMING = 3;

/**
 * Follows a take key by key. What lies well behind is settled and not looked at again, so that a key costs as much in the
 * tenth minute as in the first. Only keys are judged: whether they came in time is told once the take is over.
 */
export class LiveTake {
  private stand: LiveStand = { wrong: [], reached: null };
  private open: KeyEvent[] = [];
  private from = 0;
  private settled = new Set<number>();

  /** What a microphone does not hear, `bySound`, may have been struck all the same: nothing is told to be passed over. */
  constructor(
    private readonly wanted: readonly WantedKey[],
    private readonly bySound = false,
  ) {}

  /** Another key went down; how the take stands after it. */
  hear(event: KeyEvent): LiveStand {
    if (event.velocity === 0) return this.stand;
    this.open.push(event);
    let { struck, missed } = this.laid();
    if (isLost(struck) && this.foundElsewhere()) ({ struck, missed } = this.laid());
    const { from: start } = this;
    const placed = struck.flatMap(({ wanted }) => (wanted === null ? [] : [wanted]));
    const last = placed.at(-1);
    const reached = last === undefined ? null : this.wanted[start + last];
    const wrong = new Set(this.settled);
    const right = new Set<number>();
    for (const { wanted, kind } of struck) {
      if (wanted === null) continue;
      if (kind === 'wrong') wrong.add(start + wanted);
      else right.add(start + wanted);
    }
    const coming = last === undefined ? 0 : this.comingFrom(start + last);
    for (const at of this.bySound ? [] : missed) if (start + at < coming) wrong.add(start + at);
    // What was played anew is right now.
    for (const at of right) wrong.delete(at);
    if (this.open.length >= 2 * OPEN_KEYS) this.settle(struck, wrong);
    this.stand = { wrong: [...wrong].sort((a, b) => a - b).map((at) => this.wanted[at]), reached };
    return this.stand;
  }

  /** The first key that may still come where one was reached. */
  private comingFrom(reached: number): number {
    let from = reached;
    for (let moments = 0; from > 0; from--)
      if (this.wanted[from - 1].tick !== this.wanted[from].tick && ++moments === STILL_COMING) break;
    return from;
  }

  private laid(): Pick<Alignment, 'struck' | 'missed'> {
    return align(this.wanted.slice(this.from, this.from + this.open.length + AHEAD), this.open);
  }

  /** Who has gone far back, or on, is found by the last keys; false where they are nowhere in the music. */
  private foundElsewhere(): boolean {
    const last = this.open.slice(-LOST_KEYS);
    const fits = (start: number): number =>
      last.filter(({ midi }, i) => this.wanted[start + i]?.midi === midi).length;
    const best = this.wanted.reduce((top, _, i) => (fits(i) > fits(top) ? i : top), 0);
    if (fits(best) < FOUND_SHARE * LOST_KEYS) return false;
    // What was open is let go with what was wrong in it: it was played over.
    this.from = best;
    this.open = last;
    return true;
  }

  /** Lets go of all but the last keys, from one on that is right and divides what was played from what is to come: keys of one chord may come in any order. */
  private settle(struck: Alignment['struck'], wrong: ReadonlySet<number>): void {
    const first = struck.find(
      (one) =>
        one.kind === 'right' &&
        one.played >= this.open.length - OPEN_KEYS &&
        struck.every((other) => isInOrder(one, other)),
    );
    if (!first || first.wanted === null) return;
    const from = this.from + first.wanted;
    this.settled = new Set([...wrong].filter((at) => at < from));
    this.from = from;
    this.open = this.open.slice(first.played);
  }
}

/** Whether of two keys the one that was played first is wanted first. */
function isInOrder(a: Alignment['struck'][number], b: Alignment['struck'][number]): boolean {
  if (a.wanted === null || b.wanted === null) return true;
  return Math.sign(a.played - b.played) === Math.sign(a.wanted - b.wanted);
}

/** None of the last keys was right. */
function isLost(struck: Alignment['struck']): boolean {
  return struck.length >= LOST_KEYS && struck.slice(-LOST_KEYS).every(({ kind }) => kind !== 'right');
}
