import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { fillEfforts } from './fillEfforts';
import { arrange } from './song';

const [lanterns] = DEMO_SONGS;
const song: Song = { ...lanterns, choices: { ...lanterns.choices, level: 7 } };

describe('the effort of fills', () => {
  it('is that of the part once one is taken, for every proposal of a chord', () => {
    const { without, each } = fillEfforts(song, DEFAULT_PROFILE, 'c4');
    const a = arrange(song, DEFAULT_PROFILE);
    const own = a.fills.filter(({ changeId }) => changeId === 'c4');
    expect(each.map(({ id, variant }) => id + variant)).toEqual(own.map(({ id, variant }) => id + variant));
    const ids = [...new Set(own.map(({ id }) => id))];
    const bare = applyEdit(song, { kind: 'fills', taken: [], declined: ids });
    expect(without).toBe(arrange(bare, DEFAULT_PROFILE).efforts[0]?.total);
    const [first] = own;
    const taken = applyEdit(song, {
      kind: 'fills',
      taken: [{ id: first.id, kind: first.kind, variant: first.variant }],
      declined: ids.filter((id) => id !== first.id),
    });
    expect(each[0].to).toBe(arrange(taken, DEFAULT_PROFILE).efforts[0]?.total);
    expect(new Set(each.map(({ to }) => to)).size).toBeGreaterThan(1);
  });

  it('is nothing for a chord that is not there', () => {
    expect(fillEfforts(song, DEFAULT_PROFILE, 'nowhere')).toEqual({ without: 0, each: [] });
  });
});
