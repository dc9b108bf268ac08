import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../chance';
import { midiOf, parsePitch, staffStep, transposePitch } from '../music';
import { movedInWords } from './form';
import { type Content, relate, type Struck } from './relations';

const BAR = 3840;
/** Rhythms of one bar of 4/4 in quarters. */
const RHYTHMS = [
  [1, 1, 1, 1],
  [1.5, 0.5, 1, 1],
  [2, 1, 1],
  [1, 0.5, 0.5, 2],
  [0.5, 0.5, 1, 1, 1],
  [3, 1],
  [1, 2, 1],
  [2, 2],
  [1, 1, 0.5, 0.5, 1],
  [1.5, 1.5, 1],
];
const SCALE = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];

function note(tick: number, length: number, step: number): Struck {
  const pitch = parsePitch(`${SCALE[((step % 7) + 7) % 7]}${4 + Math.floor(step / 7)}`);
  return { tick, length, midi: midiOf(pitch), step: staffStep(pitch) };
}

/** A phrase of so many bars in C major, made up by chance. */
function phrase(bars: number, seed: number): Struck[] {
  const chance = seeded(seed);
  const notes: Struck[] = [];
  let step = Math.floor(chance() * 7);
  for (let bar = 0; bar < bars; bar++) {
    let tick = bar * BAR;
    for (const quarters of RHYTHMS[Math.floor(chance() * RHYTHMS.length)]) {
      step = Math.max(-3, Math.min(10, step + Math.floor(chance() * 7) - 3));
      notes.push(note(tick, quarters * 960, step));
      tick += quarters * 960;
    }
  }
  return notes;
}

const content = (notes: readonly Struck[], bars: number): Content => ({
  notes,
  changes: [],
  origin: 0,
  length: bars * BAR,
  barTicks: BAR,
});
const between = (a: readonly Struck[], b: readonly Struck[], bars = 4) =>
  relate([content(a, bars), content(b, bars)])[1];

const seeds = fc.nat(1e6);

describe('relations of constructed pairs', () => {
  it('a copy is the same, however long its last note rings', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 4 }), (seed, bars) => {
        const tune = phrase(bars, seed);
        const longer = [...tune.slice(0, -1), { ...tune[tune.length - 1], length: 7 * 960 }];
        expect(between(tune, tune, bars).relation).toBe('same');
        expect(between(tune, longer, bars).relation).toBe('same');
      }),
    );
  });

  it('an ending changed in one, two or three bars of four is a new ending, from its bar on', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 3 }), (seed, changed) => {
        const [tune, other] = [phrase(4, seed), phrase(4, seed + 1_000_003)];
        const from = (4 - changed) * BAR;
        const kept = tune.filter((n) => n.tick < from);
        const ended = [...kept, ...other.filter((n) => n.tick >= from)];
        // A bar that came out alike by chance is not changed.
        const differs = [0, 1, 2, 3].filter((bar) => barName(tune, bar) !== barName(ended, bar));
        fc.pre(kept.length >= 2 && differs.length === changed);
        const found = between(tune, ended);
        expect(found.relation).toBe('ending');
        expect(found.differs).toEqual(differs);
      }),
      { numRuns: 200 },
    );
  });

  it('every interval moved exactly, up and down, is told with its name', () => {
    const intervals = ['2m', '2M', '3m', '3M', '4P', '4A', '5P', '6m', '6M', '7m', '7M', '8P'];
    for (const [i, interval] of intervals.entries())
      for (const sign of ['', '-']) {
        const tune = phrase(2, 40 + i);
        const moved = tune.map((n) => {
          const pitch = transposePitch(pitchOf(n), sign + interval);
          return { ...n, midi: midiOf(pitch), step: staffStep(pitch) };
        });
        const found = between(tune, moved, 2);
        expect(found.relation, interval).toBe('moved');
        const semitones = moved[0].midi - tune[0].midi;
        expect(found.moved).toEqual({ steps: moved[0].step - tune[0].step, semitones });
        const words = movedInWords(found.moved ?? { steps: 0, semitones: 0 });
        expect(words).toContain(sign ? 'lower' : 'higher');
        const quality = { m: 'minor', M: 'major', P: 'perfect', A: 'augmented' }[interval[1]] ?? '';
        expect(words).toContain(interval === '8P' ? 'octave' : quality);
      }
  });

  it('every interval moved in the key is told in letters', () => {
    for (const steps of [-6, -4, -2, -1, 1, 2, 3, 5]) {
      // F to B: moved by letters its half steps differ.
      const tune = [0, 2, 4, 3, 6, 5].map((step, i) => note(i * 960, 960, step));
      const found = between(
        tune,
        tune.map((n, i) => note(n.tick, n.length, [0, 2, 4, 3, 6, 5][i] + steps)),
        2,
      );
      expect(found).toMatchObject({ relation: 'moved', moved: { steps, semitones: null } });
    }
    expect(movedInWords({ steps: 2, semitones: null })).toBe('a third higher in the key');
    expect(movedInWords({ steps: -4, semitones: -7 })).toBe('a perfect fifth lower, exactly');
    expect(movedInWords({ steps: 7, semitones: 12 })).toBe('an octave higher');
    expect(movedInWords({ steps: 3, semitones: 6 })).toBe('an augmented fourth higher, exactly');
    expect(movedInWords({ steps: -2, semitones: null })).toBe('a third lower in the key');
    expect(movedInWords({ steps: -7, semitones: -12 })).toBe('an octave lower');
    expect(movedInWords({ steps: 0, semitones: 1 })).toBe('a half step higher, exactly');
    expect(movedInWords({ steps: 0, semitones: -1 })).toBe('a half step lower, exactly');
    expect(movedInWords({ steps: 2, semitones: 3 })).toBe('a minor third higher, exactly');
    expect(movedInWords({ steps: 9, semitones: null })).toBe('a third and an octave higher in the key');
  });

  it('the same rhythm with other notes is the same rhythm', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const tune = phrase(3, seed);
        fc.pre(tune.length >= 5 && new Set(tune.map((n) => n.length)).size > 1);
        const steps = [5, 3, 6, 1, 4, 0, 2];
        const other = tune.map((n, i) => note(n.tick, n.length, steps[(i * 3 + seed) % 7]));
        const found = between(tune, other, 3).relation;
        expect(['rhythm', 'moved', 'varied', 'ending', 'same']).toContain(found);
        const alike = tune.filter((n, i) => n.midi === other[i].midi).length;
        if (alike === 0) expect(['rhythm', 'moved']).toContain(found);
      }),
    );
  });

  it('an ornamented copy is the same with some notes changed', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const tune = phrase(4, seed);
        // Every note of a quarter or more gets a neighbour in its second half.
        const rich = tune.flatMap((n) =>
          n.length < 960
            ? [n]
            : [
                { ...n, length: n.length / 2 },
                { ...note(n.tick + n.length / 2, n.length / 2, 0), midi: n.midi + 2, step: n.step + 1 },
              ],
        );
        fc.pre(tune.length >= 5);
        expect(between(tune, rich).relation).toBe('varied');
        expect(between(rich, tune).relation).toBe('varied');
      }),
    );
  });

  it('one bar of four changed in the middle leaves it the same but for that bar', () => {
    const tune = phrase(4, 7);
    const other = phrase(4, 8);
    const mixed = [...tune, ...other]
      .filter((n, i) => (Math.floor(n.tick / BAR) === 1) === i >= tune.length)
      .sort((a, b) => a.tick - b.tick);
    expect(between(tune, mixed)).toMatchObject({ relation: 'varied', differs: [1] });
  });

  it('are silent on unrelated pairs: at most two in a hundred by accident', () => {
    let accidents = 0;
    for (let seed = 0; seed < 1000; seed++)
      if (between(phrase(4, seed), phrase(4, seed + 500_000)).relation !== 'new') accidents++;
    expect(accidents).toBeLessThanOrEqual(20);
    let short = 0;
    for (let seed = 0; seed < 1000; seed++)
      if (between(phrase(2, seed), phrase(2, seed + 500_000), 2).relation !== 'new') short++;
    expect(short).toBeLessThanOrEqual(20);
  });
});

const barName = (notes: readonly Struck[], bar: number): string =>
  notes
    .filter((n) => Math.floor(n.tick / BAR) === bar)
    .map((n, _, all) => `${n.tick}:${n.midi}:${n === all.at(-1) && bar === 3 ? '' : n.length}`)
    .join();

function pitchOf({ step }: Struck): ReturnType<typeof parsePitch> {
  return parsePitch(`${SCALE[step % 7]}${Math.floor(step / 7)}`);
}
