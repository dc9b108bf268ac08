const TWO_DIGITS_MS = 700;

/** What a number typed is for: a part to go to, or to play up to. */
type Purpose = 'part' | 'play-to';

/** Joins digits typed quickly after one another: 1 then 2 is part 12, where there are so many parts. */
export class DigitJoiner {
  private last: { readonly purpose: Purpose; readonly value: number; readonly at: number } | null = null;

  /**
   * The number meant; null for a lone 0. `now` in milliseconds. In a song of fewer than 14 `parts` 1 then 4 are two parts,
   * one after the other, and so are digits with another key between them.
   */
  join(digit: number, purpose: Purpose, now: number, parts: number): number | null {
    const { last } = this;
    const together = 10 * (last?.value ?? 0) + digit;
    const isJoined = purpose === last?.purpose && now - last.at < TWO_DIGITS_MS && together <= parts;
    const value = isJoined ? together : digit;
    this.last = { purpose, value, at: now };
    return value === 0 ? null : value;
  }

  /** Another key was pressed: the next digit begins a number. */
  interrupt(): void {
    this.last = null;
  }
}
