import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../chance';
import { FIRST_KEY, KeyShapes, LAST_KEY } from './keyShapes';
import { type Example, learned } from './learned';
import { pianoShapes } from './pianoShapes';
import { BANDS } from './spectrum';

const KNOWN = pianoShapes();
const KEYS = Array.from({ length: LAST_KEY - FIRST_KEY + 1 }, (_, i) => FIRST_KEY + i);

/** Another piano: duller or brighter, and hollow or full between. */
function otherPiano(tilt: number, hollow: number): KeyShapes {
  return new KeyShapes(
    KNOWN.shapes.map((shape) => {
      const other = shape.map(
        (value, band) => value * Math.exp((tilt * band) / BANDS) * (1 + hollow * Math.sin(band / 9)),
      );
      const length = Math.hypot(...other);
      return other.map((value) => value / length);
    }),
  );
}

/** Chords of two keys in each hand, each third key of the keyboard's middle left out, as a piano sounds them. */
function played(piano: KeyShapes, count: number, seed: number): Example[] {
  const chance = seeded(seed);
  const among = (from: number): number => from + Math.floor(10 * chance()) * 2;
  return Array.from({ length: count }, () => {
    const keys = [...new Set([among(40), among(44), among(60), among(64)])].filter((key) => key % 3 > 0);
    const came = new Float32Array(BANDS);
    for (const key of keys) {
      const share = 0.5 + chance();
      piano.shapes[key - FIRST_KEY].forEach((value, band) => (came[band] += share * value));
    }
    return { came, keys };
  });
}

/** How alike two pianos are at a key, at most 1. */
const alikeAt = (a: KeyShapes, b: KeyShapes, key: number): number =>
  a.shapes[key - FIRST_KEY].reduce((sum, value, band) => sum + value * b.shapes[key - FIRST_KEY][band], 0);

describe('how a piano sounds, learned from what is played on it', () => {
  it('is nearer than what was known, for keys that were struck and keys that were not', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(-3, -2, 2, 3),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        fc.integer({ min: 1, max: 1000 }),
        (tilt, hollow, seed) => {
          const piano = otherPiano(tilt, hollow);
          const examples = played(piano, 40, seed);
          let own = KNOWN;
          for (let round = 0; round < 3; round++) own = learned(own, examples);
          const struck = new Set(examples.flatMap(({ keys }) => keys));
          const silent = KEYS.filter((key) => key >= 44 && key <= 80 && !struck.has(key));
          expect(silent.length).toBeGreaterThan(10);
          for (const key of [...struck, ...silent]) {
            const [before, after] = [1 - alikeAt(KNOWN, piano, key), 1 - alikeAt(own, piano, key)];
            expect(after).toBeLessThan(0.7 * before);
          }
          expect(own.areOwn).toBe(true);
        },
      ),
      { numRuns: 10 },
    );
  });

  it('is not claimed after a few strikes, and stays what it was where something else was heard', () => {
    const piano = otherPiano(-2, 0.2);
    expect(learned(KNOWN, played(piano, 4, 1)).areOwn).toBe(false);
    // A tune, where another is wanted.
    const elsewhere = KEYS.slice(20, 52).map((key) => ({
      came: KNOWN.shapes[key - FIRST_KEY],
      keys: [key + 6],
    }));
    const own = learned(KNOWN, elsewhere);
    expect(own.areOwn).toBe(false);
    for (const key of KEYS) expect(alikeAt(own, KNOWN, key)).toBeCloseTo(1, 5);
  });

  it('stays near what it was when it was right', () => {
    const own = learned(KNOWN, played(KNOWN, 40, 3));
    for (const key of KEYS) expect(alikeAt(own, KNOWN, key)).toBeGreaterThan(0.999);
  });
});
