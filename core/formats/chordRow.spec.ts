import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { useNoteNames } from '../music';
import { type Song, songSchema, writtenBars } from '../song';
import { chordRow } from './chordRow';

const [lanterns, sluicegate] = DEMO_SONGS;
afterEach(() => useNoteNames('english'));

/** What sounds at a tick; null where nothing does. */
const at = ({ changes }: Pick<Song, 'changes'>, tick: number): string | null =>
  changes.find((change) => tick >= change.tick && tick < change.tick + change.length)?.symbol ?? null;
const told = ({ changes }: Pick<Song, 'changes'>): string =>
  changes.map(({ tick, length, symbol }) => `${tick}+${length} ${symbol}`).join(', ');

describe('a row of chords', () => {
  const bare: Song = { ...lanterns, changes: [] };

  it('shares each bar among its chords; a point and a stroke hold, a sign and an empty bar repeat', () => {
    expect(told(chordRow('| Am | Dm . E7 | % | F / / | C |', bare, 2))).toBe(
      '2880+2880 Am, 5760+1920 Dm, 7680+3840 E7, 11520+2880 F, 14400+2880 C',
    );
    expect(told(chordRow('Am\nDm', bare, 1))).toBe('0+2880 Am, 2880+2880 Dm');
    expect(told(chordRow('| N.C. || G7 |', bare, 1))).toBe('0+2880 N.C., 2880+2880 G7');
  });

  it('begins in any bar, the pick-up among them, and says how many bars it needs more', () => {
    expect(
      chordRow('| G |', { ...sluicegate, changes: [] }, 0).changes.map(({ tick, length }) => [tick, length]),
    ).toEqual([[0, sluicegate.pickup]]);
    const { missingBars, changes } = chordRow('| Am | Dm | E7 |', bare, 23);
    expect([missingBars, changes.at(-1)?.tick]).toEqual([1, 24 * 2880]);
  });

  it('in the middle of a long chord lets it go on behind', () => {
    const held = { ...bare, changes: [{ ...lanterns.changes[0], symbol: 'C7', tick: 0, length: 4 * 2880 }] };
    expect(told(chordRow('| . . Am |', held, 2))).toBe('0+4800 C7, 4800+960 Am, 5760+5760 C7');
  });

  it('reads chords as the pianist names notes', () => {
    useNoteNames('german');
    expect(chordRow('| H7 | B |', bare, 1).changes.map(({ symbol }) => symbol)).toEqual(['B7', 'Bb']);
  });

  it.each([
    ['', 'There is no chord in this row. Write bars like | Am | Dm E7 |.'],
    ['| % | . |', 'There is no chord in this row. Write bars like | Am | Dm E7 |.'],
    [
      '| Am | Xyz |',
      '"Xyz" is not a chord: it should begin with a letter A to G (bar 4). Write it otherwise.',
    ],
  ])('%j is refused in a sentence', (text, message) => {
    expect(() => chordRow(text, bare, 3)).toThrow(message);
  });

  it('changes what sounds in its bars and nowhere else, in any song from any bar', () => {
    const token = fc.constantFrom('Am', 'Bb7', 'F#m7b5', 'G/B', '.', '%');
    const row = fc.array(fc.array(token, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_SONGS), fc.nat(), row, (song, n, rows) => {
        fc.pre(rows.flat().some((each) => !['.', '%'].includes(each)));
        const bars = writtenBars(song);
        const first = n % bars.length;
        const text = `| ${rows.map((tokens) => tokens.join(' ')).join(' | ')} |`;
        const laid = chordRow(text, song, bars[first].number);
        expect(laid.missingBars).toBe(Math.max(0, first + rows.length - bars.length));
        const after = { ...song, changes: laid.changes };
        let sounding: string | null | undefined;
        bars.forEach(({ tick, length }, i) => {
          const tokens = rows[i - first];
          for (let part = 0; part < 6; part++) {
            const middle = tick + Math.floor(((part + 0.5) * length) / 6);
            if (tokens) {
              const each = tokens[Math.floor((part * tokens.length) / 6)];
              if (!['.', '%'].includes(each)) sounding = each;
              else sounding ??= undefined;
            }
            const wanted = tokens && sounding !== undefined ? sounding : at(song, middle);
            expect([i, part, at(after, middle)]).toEqual([i, part, wanted]);
          }
        });
        const ids = laid.changes.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        expect(songSchema.safeParse(after).success).toBe(true);
      }),
    );
  });
});
