import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { strikesOf } from '../hands';
import { seeded } from '../chance';
import { DEFAULT_PROFILE, type Song } from '../song';
import { wholeBars } from '../testing';
import type { VoicedChange } from '../voicing';
import { descendingLine, type LinePlace, optionsOf } from './line';

function places(symbols: readonly string[]): LinePlace[] {
  const song = wholeBars(
    symbols.map(() => 'C6'),
    symbols,
  );
  return arrange(song, DEFAULT_PROFILE).changes.map((voiced): LinePlace => ({
    voiced: voiced as VoicedChange,
    tick: voiced.change.tick,
  }));
}

/** As the line is priced: a step down nothing, other ways more. */
function price(keys: readonly number[], own: readonly number[]): number {
  return keys.reduce((sum, key, i) => {
    const by = i === 0 ? -1 : key - keys[i - 1];
    const step = [-1, -2].includes(by) ? 0 : by === 0 ? 3 : by < 0 ? 2 - by : by >= 9 ? 9 : 6 + by;
    return sum + own[i] + step;
  }, 0);
}

describe('a descending line', () => {
  it('falls by step through roots and thirds, ends on a root, and keeps a written bass', () => {
    expect(descendingLine(places(['C', 'G', 'Am', 'Em', 'F', 'C']), 21, 55)).toEqual([
      48, 47, 45, 43, 41, 48,
    ]);
    expect(descendingLine(places(['Am', 'E', 'G', 'D', 'F', 'Am']), 21, 55)[0] % 12).toBe(9);
    expect(descendingLine(places(['C', 'F/A', 'C']), 21, 55)[1] % 12).toBe(9);
    expect(descendingLine(places(['C']), 21, 55)).toEqual([48]);
    expect(descendingLine([], 21, 55)).toEqual([]);
  });

  it('costs as little as any other choice of members (200 random rows of chords)', () => {
    const random = seeded(4);
    const all = ['C', 'G', 'Am', 'F', 'Dm7', 'E7', 'C/E', 'Bdim'];
    for (let run = 0; run < 200; run++) {
      const row = Array.from({ length: 1 + Math.floor(random() * 4) }, () => all[Math.floor(random() * 8)]);
      const at = places(row);
      const options = at.map(({ voiced }, i) =>
        optionsOf(voiced, { lowest: 21, highest: 55 }, i === 0 || i === at.length - 1),
      );
      const line = descendingLine(at, 21, 55);
      const costAt = (i: number, key: number): number =>
        options[i].find((o) => o.key === key)?.cost ?? Infinity;
      const found = price(
        line,
        line.map((key, i) => costAt(i, key)),
      );
      let best = Infinity;
      const walk = (i: number, keys: number[], own: number[]): void => {
        if (i === options.length) best = Math.min(best, price(keys, own));
        else for (const { key, cost } of options[i]) walk(i + 1, [...keys, key], [...own, cost]);
      };
      walk(0, [], []);
      expect(found).toBeCloseTo(best, 9);
    }
  });

  it('is played one note a bar under a tune, told by its name, and only the last chord is whole', () => {
    const base = wholeBars(['C6', 'C6', 'C6', 'C6'], ['C', 'G', 'Am', 'C']);
    const song: Song = { ...base, choices: { ...base.choices, level: 5, pattern: 'descending-line' } };
    const left = strikesOf(arrange(song, DEFAULT_PROFILE).left);
    expect(left.map((keys) => keys.map(({ midi }) => midi).join('+'))).toEqual([
      '48',
      '47',
      '45',
      '48+52+55',
    ]);
  });
});
