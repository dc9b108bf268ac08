import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { membersOf, parseChord, chroma } from '../music';
import { applyEdit, DEFAULT_PROFILE, keyAt } from '../song';
import { chordsFromKeys, type SoundingKey } from './chordsFromKeys';

/** The left hand of a demo song at a level, as keys, with the chords it was made from. */
function leftOf(
  index: number,
  level: number,
): { keys: SoundingKey[]; arrangement: ReturnType<typeof arrange> } {
  const song = applyEdit(DEMO_SONGS[index], { kind: 'choose', choices: { level, pattern: 'pulse' } });
  const arrangement = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
  return {
    keys: arrangement.left.map(({ tick, length, midi }) => ({ tick, length, midi, weight: 1 })),
    arrangement,
  };
}

function read(keys: readonly SoundingKey[], { played }: ReturnType<typeof arrange>) {
  return chordsFromKeys(keys, played.bars, (tick) => keyAt(played, tick));
}

function rootOf(symbol: string): number {
  const chord = parseChord(symbol);
  return chord ? chroma(chord.root) : -1;
}

/** Chromas of a chord in order, whatever it is called. */
function sounds(symbol: string): string {
  const chord = parseChord(symbol);
  return chord
    ? membersOf(chord)
        .map((m) => m.chroma)
        .sort((a, b) => a - b)
        .join()
    : '';
}

describe('chords read off a left hand', () => {
  DEMO_SONGS.forEach((song, index) => {
    it(`${song.title}, blocks: nine in ten sound what was written`, () => {
      const { keys, arrangement } = leftOf(index, 4);
      const found = new Map(read(keys, arrangement).map((c) => [c.tick, sounds(c.symbol)]));
      const { changes } = arrangement.played;
      const right = changes.filter((change) => found.get(change.tick) === sounds(change.symbol));
      expect(right.length / changes.length).toBeGreaterThanOrEqual(0.9);
    });

    it(`${song.title}, a pulse: three in four stand on the root that was written`, () => {
      const { keys, arrangement } = leftOf(index, 5);
      const found = read(keys, arrangement);
      const { changes } = arrangement.played;
      const right = changes.filter((change) => {
        const heard = found.filter((c) => c.tick <= change.tick).at(-1);
        return heard !== undefined && rootOf(heard.symbol) === rootOf(change.symbol);
      });
      expect(right.length / changes.length).toBeGreaterThanOrEqual(0.75);
    });
  });

  it('moves with the music: all keys up by n, all roots up by n', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5, max: 6 }), fc.nat(DEMO_SONGS.length - 1), (by, index) => {
        const { keys, arrangement } = leftOf(index, 4);
        const moved = keys.map((key) => ({ ...key, midi: key.midi + by }));
        const roots = (list: ReturnType<typeof read>): number[] => list.map((c) => rootOf(c.symbol));
        const [here, there] = [read(keys, arrangement), read(moved, arrangement)];
        expect(there.map((c) => c.tick)).toEqual(here.map((c) => c.tick));
        expect(roots(there)).toEqual(roots(here).map((root) => (root + by + 12) % 12));
      }),
      { numRuns: 20 },
    );
  });

  it('covers the song from the first sound to the end without a gap', () => {
    for (let index = 0; index < DEMO_SONGS.length; index++) {
      const { keys, arrangement } = leftOf(index, 4);
      const found = read(keys, arrangement);
      expect(found[0].tick).toBe(Math.min(...keys.map((key) => key.tick)));
      found.forEach((change, i) => {
        expect(change.tick + change.length).toBe(found[i + 1]?.tick ?? arrangement.played.endTick);
      });
      expect(new Set(found.map((c) => c.id)).size).toBe(found.length);
    }
  });

  it('hears a melody note as less than a chord note', () => {
    const { arrangement } = leftOf(0, 4);
    const chord = [48, 52, 55].map((midi) => ({ tick: 0, length: 2880, midi, weight: 1 }));
    const passing = { tick: 960, length: 960, midi: 74, weight: 0.3 };
    expect(read([...chord, passing], arrangement)[0].symbol).toBe('C');
  });
});
