/** Blocks by which the two clocks are laid against one another: about a second and a half of sound. */
const AROUND = 128;

/**
 * Tells when sound was heard, by its own clock. Blocks of it reach the page late while much is done there; the one that
 * came soonest of those around tells how far the clocks are apart, and all others follow from it.
 */
export class SoundClock {
  private readonly apart: number[] = [];
  private last = -Infinity;

  /** Seconds on the page's clock at which what the sound's clock calls `sounded` was; it came to the page at `came`. */
  at(sounded: number, came: number): number {
    this.apart.push(came - sounded);
    if (this.apart.length > AROUND) this.apart.shift();
    // Found to be earlier than was thought, it still does not come before what came before it.
    this.last = Math.max(this.last, sounded + Math.min(...this.apart));
    return this.last;
  }
}
