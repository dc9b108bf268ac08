import { describe, expect, it } from 'vitest';
import { voicingCostInWords } from '.';

describe('what another voicing costs', () => {
  const words = (extra: number, own: { isAgainstEnds?: boolean; isApart?: boolean } = {}, isFirst = false) =>
    voicingCostInWords({ extra, isAgainstEnds: false, isApart: false, ...own }, isFirst);

  it('is told for the whole song, and where it would be played in one part alone', () => {
    expect(words(0)).toBe('least for the whole song');
    expect(words(100)).toBe("+ 10 half steps' worth");
    expect(words(5)).toBe("+ 0.5 half steps' worth");
    expect(words(35, { isApart: true })).toBe("+ 3.5 half steps' worth, in this part alone");
    expect(words(-203, { isApart: true })).toBe("20.3 half steps' worth less, in this part alone");
    expect(words(0, { isApart: true })).toBe("+ 0 half steps' worth, in this part alone");
  });

  it('is no matter where a rule of the ends is broken', () => {
    expect(words(-10, { isAgainstEnds: true }, true)).toBe('would begin on a second inversion');
    expect(words(-10, { isAgainstEnds: true })).toBe('would not end on the root');
  });
});
