import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { keyFromFifths, spellInKey } from '../music';
import { applyEdit, DEFAULT_PROFILE, writtenBars } from '../song';
import { runs, songs } from '../testing';

const C = keyFromFifths(0, 'major');

describe('a key that both hands want', () => {
  it('is said, whatever was written by hand and in which hand', () => {
    fc.assert(
      fc.property(
        fc.oneof(songs, fc.constantFrom(...DEMO_SONGS)),
        fc.constantFrom(4, 5, 6, 7),
        fc.constantFrom('left', 'right'),
        fc.constantFrom('instead', 'beside'),
        fc.nat(7),
        fc.array(fc.record({ at: fc.nat(7), midi: fc.integer({ min: 48, max: 76 }) }), {
          minLength: 1,
          maxLength: 5,
        }),
        (song, level, hand, how, bar, keys) => {
          const bars = writtenBars(song);
          const { tick, length } = bars[bar % bars.length];
          const notes = keys.map(({ at, midi }) => {
            const after = (at * 480) % length;
            return {
              after,
              length: Math.min(480, length - after),
              pitch: spellInKey(midi, C),
            };
          });
          const own = { id: 'o1', hand, tick, length, how, pass: null, notes } as const;
          const written = applyEdit(applyEdit(song, { kind: 'choose', choices: { level } }), {
            kind: 'own-bars-written',
            own: { ...own, notes: [...notes] },
            session: null,
          });
          const a = arrange(written, DEFAULT_PROFILE, { withoutFingers: true });
          const said = new Set(a.findings.filter(({ kind }) => kind === 'bump').map(({ tick: at }) => at));
          for (const high of a.right)
            for (const low of a.left) {
              if (high.grace || low.grace || high.midi !== low.midi) continue;
              const from = Math.max(high.tick, low.tick);
              const together = Math.min(high.tick + high.length, low.tick + low.length) > from;
              if (together) expect([from, said.has(from)]).toEqual([from, true]);
            }
        },
      ),
      { numRuns: runs(150) },
    );
  });
});
