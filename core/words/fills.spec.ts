import { DRESSINGS } from '../fills';
import { aFill, because } from '../sentences';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { DEFAULT_PROFILE } from '../song';
import { fillInWords, versionInWords } from './fills';
import { writeWalkthrough } from './walkthrough';

describe('fills in words', () => {
  it('a version is counted, by kind, the most frequent first', () => {
    const [lanterns] = DEMO_SONGS;
    const on = (measure: 'none' | 'many') =>
      arrange(
        { ...lanterns, choices: { ...lanterns.choices, level: 7, fills: { measure, seed: 0 } } },
        DEFAULT_PROFILE,
        { withoutFingers: true },
      );
    expect(versionInWords(on('none'))).toEqual({ summary: 'Nothing is filled in.', kinds: [] });
    const many = on('many');
    const taken = many.fills.filter((fill) => fill.taken);
    const { summary, kinds } = versionInWords(many);
    expect(summary).toMatch(new RegExp(`^${taken.length} fills in \\d of 6 parts\\.$`));
    const counts = kinds.map((line) => Number(/^\d+/.exec(line)?.[0]));
    expect(counts).toEqual([...counts].sort((a, b) => b - a));
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(taken.length);
  });

  it('a proposal says why, for which hand, and what it asks of it', () => {
    expect(fillInWords({ reason: because.graced(), hand: 'left', skill: 3 })).toBe(
      'A held note on a strong beat; a short one before it gives it weight. Left hand, wide or quick.',
    );
    expect(fillInWords({ reason: because.trilled(), hand: 'right', skill: 1 })).toBe(
      'A long note that fades; beaten twice it stays alive. Right hand, simple.',
    );
  });

  it('every fill that is played is told in the walkthrough, in its bar', () => {
    for (const song of DEMO_SONGS) {
      const a = arrange(
        { ...song, choices: { ...song.choices, level: 7, fills: { measure: 'many', seed: 0 } } },
        DEFAULT_PROFILE,
      );
      const text = writeWalkthrough(a);
      for (const { kind, taken } of a.fills)
        if (taken && !DRESSINGS.includes(kind))
          expect([song.title, kind, text.includes(aFill(kind))]).toEqual([song.title, kind, true]);
    }
  });
});
