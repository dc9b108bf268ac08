import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { changesIn } from '../arrangement';
import { countAt } from '../joining';
import { typeset } from '../music';
import { PATTERNS } from '../patterns';
import { applyEdit, barAt, DEFAULT_PROFILE } from '../song';
import { partCard } from './partCard';
import { partSummary } from './summary';
import { meetsInWords, sayIt } from './meetings';

describe('where a chord is told', () => {
  it('is where the left hand first strikes it, on the card, in words, and to be said aloud: any song, level and pattern', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_SONGS),
        fc.constantFrom(2, 3, 4, 5, 6, 7),
        fc.constantFrom(...PATTERNS.map(({ id }) => id)),
        (song, level, pattern) => {
          const a = arrange(
            applyEdit(song, { kind: 'choose', choices: { level, pattern } }),
            DEFAULT_PROFILE,
            { withoutFingers: true },
          );
          a.parts.forEach((part, i) => {
            const card = partCard(a, i)
              .lines.map(({ chords }) => chords)
              .join(', ');
            const said = sayIt(a, part);
            const summary = partSummary(a, i).join('\n');
            for (const c of changesIn(a.changes, part)) {
              const own = a.left.filter(
                ({ from, source, tick }) =>
                  from === c.change.id &&
                  source !== 'fill' &&
                  tick >= c.change.tick &&
                  tick < c.change.tick + c.change.length,
              );
              const [first] = own;
              if (!first || first.rolled !== undefined) continue;
              const bar = barAt(a.played.bars, first.tick);
              const on = `on ${countAt(bar, first.tick)}`;
              const symbol = typeset(c.change.symbol);
              const place = [song.title, level, pattern, c.change.id];
              expect([...place, card]).toEqual([...place, expect.stringContaining(`${symbol} ${on}`)]);
              expect([...place, meetsInWords(a, c)]).toEqual([
                ...place,
                expect.stringContaining(`${on} of `),
              ]);
              expect([...place, said.includes(on)]).toEqual([...place, true]);
              expect([...place, summary.includes(`${on} of `)]).toEqual([...place, true]);
            }
          });
        },
      ),
    );
  });
});
