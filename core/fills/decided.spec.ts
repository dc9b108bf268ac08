import { textOf } from '../testing';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { nameOf } from '../music';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import type { Fill } from './fill';

describe('what was decided about fills', () => {
  const [lanterns] = DEMO_SONGS;
  const seven: Song = { ...lanterns, choices: { ...lanterns.choices, level: 7 } };
  const a = arrange(seven, DEFAULT_PROFILE);
  const walk = a.fills.find(({ kind }) => kind === 'walk') as Fill;
  const take = (song: Song, fill: Fill, notes?: Song['fillsTaken'][number]['notes']): Song =>
    applyEdit(song, {
      kind: 'fill',
      fill: { id: fill.id, kind: fill.kind, variant: fill.variant, ...(notes ? { notes } : {}) },
      taken: true,
    });

  it('a fill the pianist took is played in its way, one that was declined is not, and a forgotten one is proposed again', () => {
    const run = a.fills.filter(({ kind }) => kind === 'run');
    const other = run.find(({ id, variant }) => id === run[0].id && variant !== run[0].variant) ?? run[0];
    const taken = arrange(take(seven, other), DEFAULT_PROFILE).fills.filter(
      ({ id, taken }) => id === other.id && taken,
    );
    expect(taken.map(({ variant }) => variant)).toEqual([other.variant]);
    const declined = applyEdit(seven, { kind: 'fills', taken: [], declined: [walk.id] });
    expect(arrange(declined, DEFAULT_PROFILE).fills.some(({ id, taken }) => id === walk.id && taken)).toBe(
      false,
    );
    const forgotten = applyEdit(declined, { kind: 'fill-left', id: walk.id });
    expect(forgotten.fillsDeclined).toEqual([]);
  });

  it('own notes are played in the place of those proposed; longer than the place they wait, and it is said', () => {
    const change = a.changes.find(({ change: c }) => c.id === walk.changeId)?.change;
    const after = walk.tick - (change?.tick ?? 0);
    const pitch = { letter: 'E', alter: 0, octave: 2 } as const;
    const own = arrange(take(seven, walk, [{ after, length: 960, pitch }]), DEFAULT_PROFILE);
    expect(
      own.left
        .filter(({ source, from }) => source === 'fill' && from === walk.changeId)
        .map((n) => nameOf(n.pitch)),
    ).toEqual(['E2']);
    expect(own.fills.find(({ id, taken }) => id === walk.id && taken)?.isOwn).toBe(true);
    const long = arrange(take(seven, walk, [{ after, length: walk.length + 1, pitch }]), DEFAULT_PROFILE);
    expect(long.left.some(({ source, from }) => source === 'fill' && from === walk.changeId)).toBe(false);
    const said = long.findings.filter(({ kind }) => kind === 'fill').map(textOf);
    // In the part that follows as well.
    expect([...new Set(said)]).toEqual([
      'The bass walk of your own is longer than its place: shorten it, or it waits.',
    ]);
  });

  it('a fill whose place is gone waits and is said; it comes back with its place', () => {
    const taken = take(seven, walk);
    const at = a.played.melody.filter(
      ({ tick }) => tick >= walk.tick - 2880 && tick < walk.tick + walk.length,
    );
    const busy: Song = {
      ...taken,
      melody: taken.melody.flatMap((n) =>
        at.some(({ id }) => id === n.id)
          ? Array.from({ length: n.length / 480 }, (_, i) => ({
              ...n,
              id: `${n.id}x${i}`,
              tick: n.tick + 480 * i,
              length: 480,
            }))
          : [n],
      ),
    };
    const said = arrange(busy, DEFAULT_PROFILE).findings.filter(({ kind }) => kind === 'fill');
    expect(said.map(textOf)).toEqual([
      'The bass walk taken here has no place any more since the song was changed: it waits.',
    ]);
    const [{ remedies }] = said;
    expect(applyEdit(busy, remedies[0].edit).fillsTaken).toEqual([]);
    expect(arrange(taken, DEFAULT_PROFILE).findings.some(({ kind }) => kind === 'fill')).toBe(false);
  });
});
