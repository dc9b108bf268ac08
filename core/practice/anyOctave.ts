import type { WantedKey } from './wanted';

/** How many keys before and after the one reached are looked at. */
const [BACK, AHEAD] = [24, 16];

/**
 * Puts keys that were pressed in any octave where they are wanted: for what has too few keys for two hands, as a computer's
 * keyboard. A note stands for all keys of its name that are wanted at the moment it comes next.
 */
export class AnyOctave {
  private readonly struck = new Set<number>();
  private at = 0;

  constructor(private readonly wanted: readonly WantedKey[]) {}

  /** The keys a pressed one stands for; itself, an octave near to what is wanted, where its name is wanted nowhere near. */
  keysFor(midi: number): number[] {
    const isNamed = (i: number): boolean =>
      this.wanted[i] !== undefined && (this.wanted[i].midi - midi) % 12 === 0 && !this.struck.has(i);
    const near = Array.from({ length: AHEAD + BACK }, (_, i) =>
      i < AHEAD ? this.at + i : this.at - 1 - (i - AHEAD),
    );
    const first = near.find(isNamed) ?? this.again(midi);
    if (first === undefined) return [this.nearest(midi)];
    const { tick } = this.wanted[first];
    const keys = this.wanted.flatMap((key, i) => (key.tick === tick && isNamed(i) ? [i] : []));
    for (const i of keys) this.struck.add(i);
    this.at = this.firstOpen(tick);
    return keys.map((i) => this.wanted[i].midi);
  }

  /** Who begins again somewhere before strikes what was struck already: from there on all is to come once more. */
  private again(midi: number): number | undefined {
    for (let i = this.at - 1; i >= 0; i--) {
      if ((this.wanted[i].midi - midi) % 12 !== 0) continue;
      for (let later = i; later < this.wanted.length; later++) this.struck.delete(later);
      return i;
    }
    return undefined;
  }

  /** The first key not struck yet, of a moment and those after it. */
  private firstOpen(tick: number): number {
    const open = this.wanted.findIndex((key, i) => key.tick >= tick && !this.struck.has(i));
    return open < 0 ? this.wanted.length : open;
  }

  private nearest(midi: number): number {
    const wanted = this.wanted[Math.min(this.at, this.wanted.length - 1)]?.midi ?? midi;
    return midi + 12 * Math.round((wanted - midi) / 12);
  }
}
