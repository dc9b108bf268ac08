import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import type { Arrangement } from '../arrangement/arrangement';
import { keepIdentity } from '../music/memo';
import { applyEdit, type SongEdit } from '../song/edits';
import { DEFAULT_PROFILE, LAYOUTS, type Song } from '../song/schema';
import { randomSong } from '../testing';
import { arrange, arrangeInSlices } from './song';

const without = { withoutFingers: true };
const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Edits as a pianist makes them one after another, on the change with this number. */
const edits = (song: Song): fc.Arbitrary<SongEdit> => {
  const change = fc.constantFrom(...song.changes.slice(0, 6));
  return fc.oneof(
    fc.constantFrom(2, 3, 4, 5).map((rung): SongEdit => ({ kind: 'choose', choices: { rung } })),
    change.map(({ id }): SongEdit => ({
      kind: 'pin',
      pin: { changeId: id, keys: [48, 52, 57], fingers: null },
    })),
    change.map(({ id }): SongEdit => ({ kind: 'unpin', changeId: id })),
    fc
      .tuple(change, fc.constantFrom(...LAYOUTS))
      .map(([{ id }, layout]): SongEdit => ({ kind: 'layout', changeId: id, layout })),
    fc
      .tuple(change, fc.constantFrom('Am7', 'F', 'E7'))
      .map(([{ id }, symbol]): SongEdit => ({ kind: 'change-written', id, symbol })),
    fc
      .tuple(change, fc.constantFrom('let-go', 'share', 'cross', null))
      .map(([{ id }, how]): SongEdit => ({ kind: 'close-hands', changeId: id, how })),
  );
};

/** All of an arrangement that is derived. */
const derived = ({ changes, left, right, findings, meetings, fills, relations }: Arrangement) =>
  copyOf({ changes, left, right, findings, meetings, fills, relations });

describe('what is remembered between edits', () => {
  it('never changes what comes out: each arrangement is that of the song arranged for the first time', () => {
    const start = fc
      .integer({ min: 1, max: 300 })
      .map((seed) => randomSong({ bars: 6, changesPerBar: 1, seed, lowest: 58, highest: 76 }));
    const steps = start.chain((song) =>
      fc.tuple(fc.constant(song), fc.array(edits(song), { minLength: 2, maxLength: 4 })),
    );
    fc.assert(
      fc.property(steps, ([first, list]) => {
        let song = first;
        const inTurn = list.map((edit) => {
          // As the worker does: a copy comes, and what the edit left alone keeps its identity.
          song = keepIdentity(song, copyOf(applyEdit(song, edit)));
          return { song, derived: derived(arrange(song, DEFAULT_PROFILE, without)) };
        });
        for (const { song: now, derived: then } of inTurn)
          expect(derived(arrange(copyOf(now), DEFAULT_PROFILE, without))).toEqual(then);
      }),
      { numRuns: 40 },
    );
  });

  it('keeps the changes a pin elsewhere left as they were', () => {
    const [lanterns] = DEMO_SONGS;
    const pin = { changeId: 'c3', keys: [45, 50, 53], fingers: null };
    const before = arrange(lanterns, DEFAULT_PROFILE, without);
    const after = arrange(
      keepIdentity(lanterns, copyOf(applyEdit(lanterns, { kind: 'pin', pin }))),
      DEFAULT_PROFILE,
      without,
    );
    const kept = after.changes.filter((change, i) => change === before.changes[i]);
    expect(kept.length).toBeGreaterThan(0);
    expect(after.changes[2]).not.toBe(before.changes[2]);
  });
});

describe('slices', () => {
  it('give the part on screen first, as it is in the whole', () => {
    for (const song of DEMO_SONGS) {
      const slices = arrangeInSlices(song, DEFAULT_PROFILE, { firstPart: 1 });
      let part: Arrangement | null = null;
      for (;;) {
        const { done, value } = slices.next();
        if (!done) part = value ?? part;
        if (!done) continue;
        const [from, to] = [value.parts[1].fromTick, value.parts[1].toTick];
        const within = (n: { readonly tick: number }) => n.tick >= from && n.tick < to;
        const keys = (a: Arrangement | null) =>
          [...(a?.right ?? []), ...(a?.left ?? [])].filter(within).map((n) => [n.tick, n.midi, n.length]);
        expect(part?.onlyPart).toBe(1);
        expect(keys(part)).toEqual(keys(value));
        break;
      }
    }
  });
});
