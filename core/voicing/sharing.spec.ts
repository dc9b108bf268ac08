import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { type Chord, parseChord, reachMm, midiOf, parsePitch } from '../music';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { textOf, wholeBars } from '../testing';
import { candidatesFor } from './candidates';
import { solve, type Spot } from './solver';
import { DEFAULT_WEIGHTS } from './weights';

describe('parts that are the same', () => {
  it('share one set of voicings wherever it has room in all of them', () => {
    for (const song of DEMO_SONGS)
      for (const layout of ['block', 'three', 'root', 'shell', 'rootless'] as const) {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { layout } }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        const inPart = (n: number) =>
          a.changes.filter(
            (c) => c.change.tick >= a.parts[n - 1].fromTick && c.change.tick < a.parts[n - 1].toTick,
          );
        for (const part of a.parts) {
          if (part.sharesWith === null) continue;
          const [own, model] = [inPart(part.number), inPart(part.sharesWith)];
          // The song's last chord alone lies on its root, whatever the part it returns to does.
          const isLast = part.number === a.parts.length;
          const keysOf = (list: typeof own) => (isLast ? list.slice(0, -1) : list).map((c) => c.voicing.keys);
          expect(keysOf(own)).toEqual(keysOf(model));
        }
      }
  });

  it('are not forced together where one of them has no room', () => {
    // The return lies an octave lower: what fits under the first does not fit under it.
    const base = wholeBars(['C5', 'E5', 'C5', 'E5'], ['C', 'Am', 'C', 'Am']);
    const song: Song = applyEdit(base, { kind: 'division-chosen', division: { method: 'bars', bars: 2 } });
    const { parts } = arrange(song, DEFAULT_PROFILE);
    const low = applyEdit(song, {
      kind: 'choose-for-part',
      cutId: parts[1].cutId,
      choices: { octaveShift: -1 },
    });
    const a = arrange(low, DEFAULT_PROFILE);
    expect(a.findings.filter((f) => f.kind === 'bump' || f.kind === 'pin')).toEqual([]);
    const under = a.right.filter((n) => n.tick >= a.parts[1].fromTick).map((n) => n.midi);
    const top = a.changes.slice(2).map((c) => Math.max(...c.voicing.keys));
    expect(Math.max(...top)).toBeLessThan(Math.min(...under));
  });
});

describe('a chord that has no voicing in common', () => {
  it('goes its own way, and the others of its part are still shared', () => {
    const melody = ['E5', 'C5', 'A4', 'G5', 'E5', 'C5', 'A2', 'G5'];
    const base = wholeBars(melody, ['C', 'Am', 'F', 'G', 'C', 'Am', 'F', 'G']);
    const cut = applyEdit(base, { kind: 'division-chosen', division: { method: 'bars', bars: 4 } });
    const [first, second] = arrange(cut, DEFAULT_PROFILE).parts;
    const song = applyEdit(cut, { kind: 'same-as', cutId: second.cutId, sameAs: first.cutId });
    const a = arrange(song, { ...DEFAULT_PROFILE, keyboard: 49 });
    expect(a.parts[1].sharesWith).toBe(1);
    const keys = a.changes.map((c) => c.voicing.keys);
    expect([keys[4], keys[5]]).toEqual([keys[0], keys[1]]);
    // The song ends on the root of G, whatever the part does that it returns to.
    expect([keys[3][0] % 12 === 7, keys[7][0] % 12]).toEqual([false, 7]);
    expect(keys[6]).not.toEqual(keys[2]);
    expect(a.changes.map((c) => c.fixedBy)).toEqual([
      'shared',
      'shared',
      null,
      null,
      'same',
      'same',
      null,
      'ending',
    ]);
    expect(a.findings.filter((f) => f.kind === 'bump')).toEqual([]);
  });
});

describe('two-note partials', () => {
  it('lie in the frame with which the whole song costs least', () => {
    const symbols = fc.constantFrom('C', 'Dm7', 'G7', 'Am', 'F', 'E7', 'Bm7b5');
    fc.assert(
      fc.property(fc.array(symbols, { minLength: 2, maxLength: 5 }), (list) => {
        const song = applyEdit(
          wholeBars(
            list.map(() => 'C6'),
            list,
          ),
          {
            kind: 'choose',
            choices: { layout: 'partial' },
          },
        );
        const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
        const bounds = { low: 21, high: midiOf(parsePitch('C6')) - 1, reachMm: reachMm(8) };
        let best = Infinity;
        for (let frame = 21; frame < 80; frame++) {
          const spots = list.map((symbol, i): Spot => ({
            candidates: candidatesFor(parseChord(symbol) as Chord, 'partial', bounds).filter(
              ({ keys }) => keys[0] >= frame && keys[keys.length - 1] <= frame + 12,
            ),
            place: {
              firstOrLast: i === 0 || i === list.length - 1,
              register: 0,
              leadingNote: 11,
              reachMm: reachMm(8),
            },
          }));
          if (spots.every(({ candidates }) => candidates.length > 0))
            best = Math.min(best, solve(spots, DEFAULT_WEIGHTS).cost);
        }
        const keys = a.changes.flatMap((c) => c.voicing.keys);
        expect(Math.max(...keys) - Math.min(...keys)).toBeLessThanOrEqual(12);
        // Parts are too short here to be the same: nothing is shared, so the costs can be compared.
        const chosen = a.changes.map((c, i): Spot => ({
          candidates: [c.voicing],
          place: {
            firstOrLast: i === 0 || i === list.length - 1,
            register: 0,
            leadingNote: 11,
            reachMm: reachMm(8),
          },
        }));
        if (a.parts.length === 1) expect(solve(chosen, DEFAULT_WEIGHTS).cost).toBe(best);
      }),
      { numRuns: 40 },
    );
  });
});

describe('hands under the melody', () => {
  const a = arrange(
    applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { layout: 'under-melody' } }),
    DEFAULT_PROFILE,
  );

  it('hold the chord as long as its melody note, the melody on top', () => {
    for (const c of a.changes) {
      const struck = a.right.filter((n) => n.tick === c.change.tick);
      const melody = struck.find((n) => n.source === 'melody');
      if (!melody) continue;
      for (const n of struck) {
        expect(n.midi).toBeLessThanOrEqual(melody.midi);
        expect(n.length).toBeLessThanOrEqual(melody.length);
      }
      expect(struck.length).toBeGreaterThan(1);
    }
  });

  it('keep the bass below the chord: root, with the fifth where there is room', () => {
    for (const c of a.changes) {
      const bass = a.left.filter((n) => n.tick === c.change.tick).map((n) => n.midi);
      const over = a.right.filter((n) => n.tick === c.change.tick).map((n) => n.midi);
      expect(bass.length).toBeGreaterThanOrEqual(1);
      expect(bass.length).toBeLessThanOrEqual(2);
      expect(Math.max(...bass)).toBeLessThan(Math.min(...over));
    }
  });

  it('under long notes only, leave the others to the melody alone', () => {
    const long = arrange(
      applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { layout: 'under-melody-long' } }),
      DEFAULT_PROFILE,
    );
    const chords = (of: typeof a) => of.right.filter((n) => n.source === 'chord').length;
    expect(chords(long)).toBeLessThan(chords(a));
    expect(chords(long)).toBeGreaterThan(0);
  });
});

describe('an open tenth wider than the hand', () => {
  it('is rolled from below, one key after the other, and said once a part', () => {
    const a = arrange(
      applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { layout: 'tenth' } }),
      DEFAULT_PROFILE,
    );
    const first = a.timeline.notes.filter((n) => n.hand === 'left' && n.tick === 0);
    expect(first.map((n) => n.midi)).toEqual([...first.map((n) => n.midi)].sort((x, y) => x - y));
    expect(first[1].seconds).toBeGreaterThan(first[0].seconds);
    const said = a.findings.filter((f) => f.kind === 'reach' && f.tick < a.parts[0].toTick);
    expect(said).toHaveLength(1);
    expect(textOf(said[0])).toMatch(
      /wider than your left hand: roll it from below.*The same in bars 2, 3 and 4\.$/,
    );
    const wide = arrange(applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { layout: 'tenth' } }), {
      ...DEFAULT_PROFILE,
      leftReach: 10,
    });
    expect(wide.left.filter((n) => n.rolled !== undefined).length).toBeLessThan(
      a.left.filter((n) => n.rolled !== undefined).length,
    );
  });
});
