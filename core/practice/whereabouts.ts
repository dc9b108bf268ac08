import { Follower } from '../paths';
import type { KeyEvent } from '../takes';
import { isNear } from './outOfOrder';
import type { WantedKey } from './wanted';

/** What it costs that a key is none that is wanted, that a moment was passed over, that one begins in the middle, and goes on elsewhere: three keys tell. */
const [OTHER, COSTS] = [0.3, { passed: 0.7, begins: 3, elsewhere: 3.2, tooSoon: 2 }];
/** A chord may be spread over this share of the time to the next moment; keys of it that come later, when the next is due, are less likely its. */
const [SPREAD, TOO_LATE] = [0.4, 3];
const OCTAVE = 12;

/** Finds which moment of the music a player has reached, key by key, with nothing to come known: for who plays along. */
export class Whereabouts {
  readonly moments: readonly { readonly seconds: number; readonly keys: readonly number[] }[];
  private readonly follower: Follower<number>;
  private at = -1;

  /** `pace`: how many seconds a second of the music is expected to take; `inAnyOctave`: keys may be struck octaves off. */
  constructor(
    wanted: readonly WantedKey[],
    pace = 1,
    private readonly inAnyOctave = false,
  ) {
    const keys = new Map<number, number[]>();
    for (const { seconds, midi } of wanted) keys.set(seconds, [...(keys.get(seconds) ?? []), midi]);
    this.moments = [...keys]
      .map(([seconds, of]) => ({ seconds, keys: of }))
      .sort((a, b) => a.seconds - b.seconds);
    this.follower = new Follower(
      this.moments.map(({ seconds }) => seconds),
      COSTS,
      pace,
    );
  }

  /** The moment reached, counted from 0; -1 before the first. */
  get reached(): number {
    return this.at;
  }

  /** A key came. Whether a moment is reached with it. */
  hear({ midi, seconds }: KeyEvent): boolean {
    const reached = this.follower.add(midi, seconds, {
      begins: (m) => this.speaksFor(m, midi),
      goesOn: (m, since, share) =>
        this.isKeyOf(m, midi) && !since().some((other) => this.isSame(other, midi))
          ? 1 - TOO_LATE * Math.max(0, share() - SPREAD)
          : -OTHER,
    });
    this.at = reached ?? -1;
    const [{ meeting }] = this.follower.path(1);
    return meeting !== null;
  }

  /** A key of the moment begins it; once one is under way, one beside may be meant for it. */
  private speaksFor(m: number, midi: number): number {
    if (this.isKeyOf(m, midi)) return 1;
    return this.at >= 0 && this.moments[m].keys.some((key) => this.isBeside(midi - key)) ? 0 : -Infinity;
  }

  private isKeyOf(m: number, midi: number): boolean {
    return this.moments[m]?.keys.some((key) => this.isSame(key, midi)) ?? false;
  }

  private isSame(a: number, b: number): boolean {
    return a === b || (this.inAnyOctave && (a - b) % OCTAVE === 0);
  }

  private isBeside(off: number): boolean {
    if (!this.inAnyOctave) return isNear(off);
    const up = ((off % OCTAVE) + OCTAVE) % OCTAVE;
    return isNear(up) || isNear(up - OCTAVE);
  }
}
