import { describe, expect, it } from 'vitest';
import { SoundClock } from './sound-clock';

const BLOCK = 512 / 44_100;

/** When each block was, told by a clock whose page is busy now and then: `lateBy` seconds for the block with that number. */
function told(blocks: number, apart: number, lateBy: (block: number) => number): number[] {
  const clock = new SoundClock();
  return Array.from({ length: blocks }, (_, i) => {
    const sounded = i * BLOCK;
    return clock.at(sounded, sounded + apart + lateBy(i)) - sounded;
  });
}

describe('the clock of the sound', () => {
  it('is the page’s own while nothing is late', () => {
    for (const at of told(300, -4.5, () => 0)) expect(at).toBeCloseTo(-4.5, 9);
  });

  it('does not put a note later because the page was busy when it came', () => {
    const apart = told(300, 2, (i) => (i >= 40 && i < 60 ? (60 - i) * BLOCK + 0.004 : 0.004));
    for (const at of apart) expect(at).toBeCloseTo(2.004, 9);
  });

  it('finds the time though the first blocks came late, and never goes back', () => {
    const apart = told(40, 1, (i) => (i < 10 ? 0.3 : 0));
    expect(apart[9]).toBeCloseTo(1.3, 9);
    expect(apart[39]).toBeCloseTo(1, 9);
    apart.reduce((before, at, i) => {
      const own = at + i * BLOCK;
      expect(own).toBeGreaterThanOrEqual(before);
      return own;
    }, -Infinity);
  });

  it('follows where sound was lost and the clocks have moved apart: after one hundred and twenty-eight blocks', () => {
    const apart = told(400, 0, (i) => (i < 100 ? 0 : 0.05));
    expect(apart[99]).toBeCloseTo(0, 9);
    expect(apart[226]).toBeCloseTo(0, 9);
    expect(apart[227]).toBeCloseTo(0.05, 9);
  });
});
