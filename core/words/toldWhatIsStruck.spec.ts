import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { nameOf, parsePitch, typeset } from '../music';
import { PATTERNS, SUNG_FIGURES } from '../patterns';
import { applyEdit, DEFAULT_PROFILE, type Layout, type OwnPattern, type Song, writtenBars } from '../song';
import { runs, songs } from '../testing';
import { partInWords } from './walkthrough';

const LAYOUTS: readonly Layout[] = ['block', 'shell', 'tenth', 'under-melody', 'singing'];

/** A pattern of the pianist's own, in any metre. */
const OWN: OwnPattern = {
  id: 'own1',
  name: 'Reach and fall',
  base: 'root',
  beats: 1,
  events: [
    { onset: 0, length: 0.5, members: [1] },
    { onset: 0.5, length: 0.25, members: [10, 5] },
    { onset: 0.75, length: 0.25, members: [8] },
  ],
};

/** One of the chord as it lies. */
const LIES: OwnPattern = {
  id: 'own2',
  name: 'As it lies',
  base: 'voicing',
  beats: 1,
  events: [
    { onset: 0, length: 0.5, members: [1] },
    { onset: 0.5, length: 0.5, members: [2, 4] },
  ],
};

/** A song with one bar of its left hand written: two keys one after the other, the second held with a third. */
function withOwnBar(song: Song, at: number): Song {
  const bars = writtenBars(song);
  const { tick, length } = bars[at % bars.length];
  const half = Math.floor(length / 2);
  const note = (after: number, name: string) => ({ after, length: half, pitch: parsePitch(name) });
  const notes = [note(0, 'E2'), note(half, 'C3'), note(half, 'G#3')];
  const own = { id: 'o1', hand: 'left' as const, tick, length, how: 'instead' as const, pass: null, notes };
  return applyEdit(song, { kind: 'own-bars-written', own, session: null });
}

describe('every key the left hand strikes', () => {
  it('is told with its name in its bar, and no other, at any level, layout and pattern of any song', () => {
    fc.assert(
      fc.property(
        fc.oneof(songs, fc.constantFrom(...DEMO_SONGS)),
        fc.constantFrom(2, 3, 4, 5, 6, 7),
        fc.constantFrom(...LAYOUTS),
        fc.oneof(
          fc.constantFrom('auto', ...PATTERNS.map(({ id }) => id), ...SUNG_FIGURES.map(({ id }) => id)),
          fc.constantFrom(OWN.id, LIES.id),
        ),
        fc.option(fc.nat(7)),
        (song, level, layout, pattern, byHand) => {
          const made = [OWN, LIES].reduce(
            (kept, own) => applyEdit(kept, { kind: 'pattern-kept', pattern: own }),
            song,
          );
          const all = applyEdit(made, { kind: 'choose', choices: { level, layout, pattern } });
          const chosen = byHand === null ? all : withOwnBar(all, byHand);
          const a = arrange(chosen, DEFAULT_PROFILE, { withoutFingers: true });
          a.parts.forEach((part, index) => {
            const symbols = new Set(
              a.changes.map(({ change }) => typeset(change.symbol)).filter((s) => /\d/.test(s)),
            );
            const told = partInWords(a, index);
            const left = told.slice(told.indexOf('Left hand'));
            for (const bar of a.played.bars) {
              if (bar.tick < part.fromTick || bar.tick + bar.length > part.toTick) continue;
              const name = bar.number === 0 ? 'Pick-up' : `Bar ${bar.number}`;
              const lines = left.filter((line) => line.startsWith(`  ${name}:`)).join(' ');
              const struck = a.left
                .filter(({ tick, grace }) => !grace && tick >= bar.tick && tick < bar.tick + bar.length)
                .map(({ pitch }) => typeset(nameOf(pitch)));
              // A symbol with a number in it is no key.
              const bare = [...symbols].reduce((text, symbol) => text.replaceAll(symbol, ''), lines);
              const keys = bare.match(/[A-G][♯♭𝄪𝄫]*\d/gu) ?? [];
              const place = [song.title, level, layout, pattern, name];
              expect([...place, new Set(keys)]).toEqual([...place, new Set(struck)]);
            }
          });
        },
      ),
      { numRuns: runs(200) },
    );
  });
});
