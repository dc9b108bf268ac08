import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { COMPARED } from '../arrange/comparing';
import { compareLayouts, arrange } from '../arrange';
import {
  type Chord,
  membersOf,
  parseChord,
  KEYBOARDS,
  type Reach,
  reachMm,
  spanMm,
  chroma,
  classNameOf,
  midiOf,
  parsePitch,
} from '../music';
import { applyEdit, type SongEdit, DEFAULT_PROFILE, type Layout, type Song } from '../song';
import { LAYOUTS } from '../song/schemaPieces';
import { randomSong, textOf } from '../testing';
import { candidatesFor, thinnedCandidates } from './candidates';
import { lowIntervalBreaches, stepCost, voicingCost } from './cost';
import { keysOfShape, SHAPED, shapesFor } from './shapes';
import { solve, type Spot } from './solver';
import { chordUnder } from './underMelody';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS } from './weights';

const chord = (symbol: string): Chord => parseChord(symbol) as Chord;
const lettersOf = (symbol: string, layout: Layout, context?: Parameters<typeof shapesFor>[2]) =>
  shapesFor(chord(symbol), layout, context).map((shape) =>
    shape
      .map((c) => membersOf(chord(symbol)).find((m) => m.chroma === c)?.pitchClass)
      .map((p) => (p ? classNameOf(p) : '?'))
      .join(' '),
  );
const scale = (notes: string): ReadonlySet<number> =>
  new Set(notes.split(' ').map((n) => midiOf(parsePitch(`${n}4`)) % 12));
const C_MAJOR = scale('C D E F G A B');

const inside = (tick: number, from: number, to: number): boolean => tick >= from && tick < to;

describe('shapes', () => {
  it('shell: root and seventh, sixth or third; the third where the melody has the seventh', () => {
    expect(lettersOf('Dm7', 'shell')).toEqual(['D C']);
    expect(lettersOf('C6', 'shell')).toEqual(['C A']);
    expect(lettersOf('F', 'shell')).toEqual(['F A']);
    expect(lettersOf('Gsus4', 'shell')).toEqual(['G C']);
    expect(lettersOf('Dm7', 'shell', { scale: null, melody: 0 })).toEqual(['D F']);
  });

  it('open fifth, with the octave, and the open tenth', () => {
    expect(lettersOf('Am', 'fifth')).toEqual(['A E']);
    expect(lettersOf('Bdim', 'fifth')).toEqual(['B F']);
    expect(lettersOf('Am', 'fifth-octave')).toEqual(['A E A']);
    expect(keysOfShape(shapesFor(chord('C'), 'tenth')[0], 48)).toEqual([48, 55, 64]);
  });

  it('rootless: 3 5 7 9 and 7 9 3 5, the ninth only where the key has it', () => {
    const context = { scale: C_MAJOR, melody: null };
    expect(shapesFor(chord('Dm7'), 'rootless', context)).toEqual([
      [5, 9, 0, 4],
      [0, 4, 5, 9],
    ]);
    // F sharp is not in C major: E minor keeps its root.
    expect(shapesFor(chord('Em7'), 'rootless', context)[0]).toEqual([7, 11, 2, 4]);
    expect(shapesFor(chord('G7b9'), 'rootless', context)[0]).toEqual([11, 2, 5, 8]);
  });

  it('two notes always hold the third or the seventh', () => {
    for (const symbol of ['C', 'Dm7', 'G7', 'Bm7b5', 'Fsus4'])
      for (const [a, b] of shapesFor(chord(symbol), 'partial')) {
        const telling = membersOf(chord(symbol))
          .filter((m) => [2, 3, 4, 6, 7].includes(m.number))
          .map((m) => m.chroma);
        expect(telling.includes(a) || telling.includes(b), symbol).toBe(true);
      }
  });

  it('a slash bass is the lowest key, whatever the layout', () => {
    const bounds = { low: 28, high: 80, reachMm: reachMm(10) };
    for (const layout of ['block', 'three', 'root', ...SHAPED] as Layout[])
      for (const symbol of ['C/E', 'Dm7/C', 'F/G', 'G7/B'])
        for (const { keys } of candidatesFor(chord(symbol), layout, bounds))
          expect(keys[0] % 12, `${symbol} ${layout}`).toBe(chroma(chord(symbol).bass as Chord['root']));
  });

  it('are thinned, never to nothing, the lowest kept', () => {
    const narrow = { low: 40, high: 60, reachMm: reachMm(6) };
    for (const layout of SHAPED)
      for (const { keys } of thinnedCandidates(chord('Dm7'), layout, narrow, 1)) {
        expect(keys.length).toBeGreaterThan(0);
        expect(shapesFor(chord('Dm7'), layout).map((s) => s[0])).toContain(keys[0] % 12);
      }
  });
});

describe('a chord under its melody note', () => {
  it('is close beneath it, as in the worked example', () => {
    const under = (symbol: string, top: string) =>
      chordUnder(chord(symbol), midiOf(parsePitch(top)), DEFAULT_PROFILE)[0].keys;
    const keys = (names: string) => names.split(' ').map((n) => midiOf(parsePitch(n)));
    expect(under('Dm7', 'F5')).toEqual(keys('A4 C5 D5 F5'));
    expect(under('G7', 'F5')).toEqual(keys('G4 B4 D5 F5'));
  });

  it('reaches no further than the right hand, and keeps the note on top', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('C', 'Dm7', 'G7', 'Bm7b5', 'Fmaj7', 'A7b9', 'C13', 'Gsus4'),
        fc.integer({ min: 62, max: 84 }),
        fc.constantFrom<Reach>(6, 7, 8, 9, 10),
        (symbol, top, rightReach) => {
          const found = chordUnder(chord(symbol), top, { ...DEFAULT_PROFILE, rightReach });
          expect(found.length).toBeGreaterThan(0);
          for (const { keys } of found) {
            expect(keys[keys.length - 1]).toBe(top);
            expect(spanMm(keys[0], top)).toBeLessThanOrEqual(reachMm(rightReach));
          }
        },
      ),
    );
  });
});

describe('the solver in every layout', () => {
  const symbols = fc.constantFrom('C', 'Dm7', 'G7', 'Am', 'Fmaj7', 'Bm7b5', 'E7', 'Gsus4', 'C/E', 'Ebmaj7');
  it.each(LAYOUTS.filter((layout) => layout !== 'under-melody' && layout !== 'under-melody-long'))(
    '%s: equal to trying every way',
    (layout) => {
      fc.assert(
        fc.property(fc.array(symbols, { minLength: 2, maxLength: 4 }), fc.boolean(), (list, isPure) => {
          const weights = isPure ? PURE_WEIGHTS : DEFAULT_WEIGHTS;
          const spots = list
            .map((symbol, i): Spot => ({
              candidates: candidatesFor(chord(symbol), layout, {
                low: 36,
                high: 67,
                reachMm: reachMm(8),
              }).slice(0, 8),
              place: {
                firstOrLast: i === 0 || i === list.length - 1,
                register: 0,
                leadingNote: 11,
                reachMm: reachMm(8),
              },
            }))
            .filter(({ candidates }) => candidates.length > 0);
          fc.pre(spots.length > 0);
          let best = Infinity;
          const walk = (i: number, cost: number, before: Spot['candidates'][number] | null): void => {
            if (i === spots.length) return void (best = Math.min(best, cost));
            for (const candidate of spots[i].candidates)
              walk(
                i + 1,
                cost +
                  voicingCost(candidate, spots[i].place, weights) +
                  (before ? stepCost(before, candidate, weights) : 0),
                candidate,
              );
          };
          walk(0, 0, null);
          expect(solve(spots, weights).cost).toBe(best);
        }),
        { numRuns: 25 },
      );
    },
  );
});

describe('every voicing style on the demo songs', () => {
  it.each(LAYOUTS)('%s: no bump, no reach beyond the hand, no low breach unreported', (layout) => {
    for (const song of DEMO_SONGS)
      for (const reach of [7, 8] as const) {
        const profile = { ...DEFAULT_PROFILE, leftReach: reach, rightReach: reach };
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { layout } }), profile, {
          withoutFingers: true,
        });
        expect(a.findings.filter((f) => f.kind === 'bump').map((f) => textOf(f))).toEqual([]);
        for (const [notes, hand] of [
          [a.left, reachMm(profile.leftReach)],
          [a.right, reachMm(profile.rightReach)],
        ] as const) {
          const byTick = new Map<number, number[]>();
          for (const n of notes) if (!n.grace) byTick.set(n.tick, [...(byTick.get(n.tick) ?? []), n.midi]);
          const rolled = new Set(notes.filter((n) => n.rolled !== undefined).map((n) => n.tick));
          for (const [tick, keys] of byTick)
            if (!rolled.has(tick))
              expect(spanMm(Math.min(...keys), Math.max(...keys))).toBeLessThanOrEqual(hand);
        }
        const inLeft = layout !== 'singing' && !layout.startsWith('under-melody');
        // Two half steps below the limit are no more than thick; what is plainly muddy is told, once a part.
        const isMuddy = ({ voicing }: (typeof a.changes)[number]): boolean =>
          lowIntervalBreaches(voicing.keys).some((below) => below >= 3);
        for (const { fromTick, toTick } of a.parts) {
          const first = a.changes.find((c) => inside(c.change.tick, fromTick, toTick) && isMuddy(c));
          const told = a.findings.filter((f) => f.kind === 'muddy' && inside(f.tick, fromTick, toTick));
          expect(told.map((f) => f.tick)).toEqual(inLeft && first ? [first.change.tick] : []);
        }
      }
  });

  it('two-note partials stay over one octave', () => {
    for (const song of DEMO_SONGS) {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { layout: 'partial' } }), DEFAULT_PROFILE);
      const keys = a.changes.flatMap((c) => c.voicing.keys);
      expect(Math.max(...keys) - Math.min(...keys)).toBeLessThanOrEqual(12);
    }
  });

  it('what is pinned, or laid out in another way, stays outside the octave of the partials beside it', () => {
    for (const song of DEMO_SONGS) {
      const edits: SongEdit[] = [
        { kind: 'choose', choices: { layout: 'partial' } },
        { kind: 'pin', pin: { changeId: song.changes[1].id, keys: [30, 33], fingers: null } },
        { kind: 'layout', changeId: song.changes[3].id, layout: 'tenth' },
      ];
      const { changes } = arrange(edits.reduce(applyEdit, song), DEFAULT_PROFILE);
      const keysOf = (at: number): number[] =>
        changes.flatMap((c) => (c.change.writtenId === song.changes[at].id ? c.voicing.keys : []));
      expect([song.title, new Set(keysOf(1))]).toEqual([song.title, new Set([30, 33])]);
      const tenth = keysOf(3);
      expect(Math.max(...tenth) - Math.min(...tenth)).toBeGreaterThan(12);
      const partials = changes.filter(({ layout, fixedBy }) => layout === 'partial' && fixedBy === null);
      const keys = partials.flatMap((c) => c.voicing.keys);
      expect([song.title, Math.max(...keys) - Math.min(...keys) <= 12]).toEqual([song.title, true]);
    }
  });

  it('layouts are mixed by part and by change', () => {
    const { parts } = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
    let song: Song = applyEdit(DEMO_SONGS[0], {
      kind: 'choose-for-part',
      cutId: parts[2].cutId,
      choices: { layout: 'fifth' },
    });
    song = applyEdit(song, { kind: 'layout', changeId: 'c10', layout: 'root' });
    const a = arrange(song, DEFAULT_PROFILE);
    expect(a.changes.slice(8, 12).map((c) => c.layout)).toEqual(['fifth', 'root', 'fifth', 'fifth']);
    expect(a.changes[0].layout).toBe('block');
  });

  it('the third level has two notes in every voicing style', () => {
    for (const layout of LAYOUTS.filter((l) => l !== 'singing')) {
      const a = arrange(
        applyEdit(DEMO_SONGS[1], { kind: 'choose', choices: { layout, level: 3 } }),
        DEFAULT_PROFILE,
      );
      for (const c of a.changes) expect(c.voicing.keys.length).toBeLessThanOrEqual(2);
    }
  });
});

describe('voicing styles compared', () => {
  const rows = compareLayouts(DEMO_SONGS[0], DEFAULT_PROFILE);
  it('give each its travel, shifts, stretch and findings, and say it in words', () => {
    expect(rows.map((r) => r.layout)).toEqual(COMPARED);
    const row = (layout: Layout) => rows.find((r) => r.layout === layout);
    expect(row('block')?.millimetres).toBeLessThan((row('root')?.millimetres ?? 0) / 2);
    expect(row('tenth')?.widestMm).toBeGreaterThan(reachMm(8));
    expect(row('root')?.words).toMatch(/times the hand movement, \d+ jumps/);
    for (const { words } of rows) expect(words.length).toBeGreaterThan(20);
  });

  it('of one part count that part alone', () => {
    const { parts } = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
    const [part] = compareLayouts(DEMO_SONGS[0], DEFAULT_PROFILE, parts[2].cutId, ['root']);
    expect(part.semitones).toBeLessThan(rows.find((r) => r.layout === 'root')?.semitones ?? 0);
  });

  it('say nothing wrong of random songs', () => {
    const song = randomSong({ bars: 6, changesPerBar: 2, seed: 5 });
    for (const row of compareLayouts(song, DEFAULT_PROFILE)) {
      expect(row.semitones).toBeGreaterThanOrEqual(0);
      expect(row.shifts).toBeLessThan(song.changes.length);
    }
  });
});

describe('a small hand on a short keyboard', () => {
  it('of a fifth is honoured in every voicing style, what gives way is said', () => {
    const profile = {
      ...DEFAULT_PROFILE,
      leftReach: 6 as Reach,
      rightReach: 6 as Reach,
      keyboard: 49 as const,
    };
    for (const layout of LAYOUTS) {
      const a = arrange(applyEdit(DEMO_SONGS[3], { kind: 'choose', choices: { layout } }), profile);
      const { low, high } = KEYBOARDS[49];
      for (const n of a.left) expect(n.midi >= low && n.midi <= high).toBe(true);
      const thinned = a.changes.filter((c) => c.voicing.missing.length > 0);
      for (const c of thinned) expect(a.findings.some((f) => f.tick === c.change.tick)).toBe(true);
    }
  });
});
