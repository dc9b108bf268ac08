import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barTicks, keyFromFifths, METRES, midiOf, nameOf, pitchAt, spellInKey } from '../music';
import type { OwnBars } from '../song';
import { runs } from '../testing';
import { readBars, writeBars } from './typedBars';
import { FieldError } from './typedTune';

type OwnNote = OwnBars['notes'][number];
const C = keyFromFifths(0, 'major');
const FOUR = { numerator: 4, denominator: 4 } as const;
const bars = (count: number, metre: (typeof METRES)[number] = FOUR, pickup = 0) => {
  const whole = barTicks(metre);
  const lengths = [...(pickup > 0 ? [pickup] : []), ...Array.from({ length: count }, () => whole)];
  return lengths.map((length, i) => ({
    number: i + (pickup > 0 ? 0 : 1),
    tick: 960 + lengths.slice(0, i).reduce((sum, l) => sum + l, 0),
    length,
    metre,
  }));
};
const told = (notes: readonly OwnNote[]): string[] =>
  notes
    .map(({ after, length, pitch, grace }) => `${after}+${length} ${nameOf(pitch)}${grace ? ' grace' : ''}`)
    .sort();
const read = (letters: string, counts: string, count = 1): string[] =>
  told(readBars({ letters, counts }, bars(count), C, []).notes);
const wrong = (letters: string, counts: string, count = 1): string => {
  try {
    return readBars({ letters, counts }, bars(count), C, []).missing?.message ?? '';
  } catch (error) {
    if (error instanceof FieldError) return error.message;
    throw error;
  }
};

describe('bars told in letters and counts', () => {
  it('strike chords, sixteenths, triplets and graces, hold over the bar line and rest', () => {
    expect(read('C3+E+G ;F G', '1 3', 1)).toEqual([
      '0+1920 C3',
      '0+1920 E3',
      '0+1920 G3',
      '1920+0 F3 grace',
      '1920+1920 G3',
    ]);
    expect(read('C3+/E', '1')).toEqual(['0+3840 C3', '0+3840 E4']);
    expect(read('F3+F#+F', '2')).toEqual(['960+2880 F#3', '960+2880 F3', '960+2880 F4']);
    expect(read('G2 A B', '4 4e 4& (4a)')).toEqual(['2880+240 G2', '3120+240 A2', '3360+240 B2']);
    expect(read('C3 G', '3 | - (2) 4', 2)).toEqual(['1920+2880 C3', '6720+960 G2']);
    // What begins after 1 in the first bar is no pick-up.
    expect(read('C3 G', '3 | 1', 2)).toEqual(['1920+1920 C3', '3840+3840 G2']);
  });

  it('begin where a pick-up does', () => {
    const from = bars(1, FOUR, 960);
    expect(told(readBars({ letters: 'G2 C3', counts: '4 | 1' }, from, C, []).notes)).toEqual([
      '0+960 G2',
      '960+3840 C3',
    ]);
    expect(() => readBars({ letters: 'G2 C3', counts: '3 | 1' }, from, C, [])).toThrow(
      'The pick-up begins on 4.',
    );
  });

  it('say what is missing or too much, with its place', () => {
    expect(wrong('C3 D', '1')).toBe('Letters without a count, from "D" on: say when they are struck.');
    expect(wrong('C3', '1 2')).toBe('Counts without a letter: say which keys are struck.');
    expect(wrong('C3', '1 | 1')).toBe('There is one bar here: this one is too many.');
    expect(wrong('+C3', '1')).toBe('"+C3" has no key before it to be struck with.');
    expect(wrong('C3+E*2', '1')).toBe('"+E*2": a chord is written out each time it is struck.');
    expect(wrong('C3+X', '1')).toContain('"+X" is not a letter of the keyboard');
  });

  it('keep of what was there how long it is held and what it follows', () => {
    const before: OwnNote[] = [
      { after: 0, length: 3840, pitch: pitchAt(36, { letter: 'C', alter: 0 }), over: 'C' },
      { after: 960, length: 960, pitch: pitchAt(55, { letter: 'G', alter: 0 }), over: 'C' },
      { after: 1920, length: 1920, pitch: pitchAt(52, { letter: 'E', alter: 0 }), over: 'C' },
    ];
    const text = writeBars(before, bars(1), C);
    expect(text).toEqual({ letters: 'C2 G3 E3', counts: '1 2 3 |' });
    const same = readBars(text, bars(1), C, before).notes;
    expect(told(same)).toEqual(told(before));
    expect(same.map(({ over }) => over)).toEqual(['C', 'C', 'C']);
    const changed = readBars(
      { letters: text.letters.replace('E', 'F'), counts: text.counts },
      bars(1),
      C,
      before,
    ).notes;
    expect(told(changed)).toEqual(['0+3840 C2', '1920+1920 F3', '960+960 G3']);
  });

  it('read back as they were written, in any metre and key', () => {
    const strikes = fc.array(
      fc.record({
        at: fc.nat(47),
        keys: fc.uniqueArray(fc.integer({ min: 30, max: 96 }), { minLength: 1, maxLength: 4 }),
        length: fc.integer({ min: 1, max: 12 }),
        grace: fc.boolean(),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(
        strikes,
        fc.constantFrom(...METRES),
        fc.integer({ min: -6, max: 6 }),
        fc.boolean(),
        (list, metre, fifths, hasPickup) => {
          const key = keyFromFifths(fifths, 'major');
          const inside = bars(2, metre, hasPickup ? 480 : 0);
          const end = inside.reduce((sum, bar) => sum + bar.length, 0);
          const notes = new Map<string, OwnNote>();
          const struck = new Set(list.map(({ at }) => (at * 240) % end));
          for (const { at, keys, length, grace } of list)
            for (const midi of keys.slice(0, grace ? 1 : 4)) {
              const after = (at * 240) % end;
              const pitch = spellInKey(midi, key);
              notes.set(`${after} ${midiOf(pitch)}`, {
                after,
                length: Math.min(240 * length, end - after),
                pitch,
              });
              if (grace && struck.has(after))
                notes.set(`${after} grace`, { after, length: 0, pitch, grace: true });
            }
          const all = [...notes.values()];
          const text = writeBars(all, inside, key);
          const { notes: again, missing } = readBars(text, inside, key, all);
          expect(missing).toBeNull();
          expect(told(again)).toEqual(told(all));
        },
      ),
      { numRuns: runs(400) },
    );
  });
});
