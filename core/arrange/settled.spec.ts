import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { settling } from '../arrangement';
import { applyEdit, type Choices, DEFAULT_PROFILE, type SongEdit } from '../song';
import { arrange } from './song';

const [lanterns] = DEMO_SONGS;
const choose = (choices: Partial<Choices>): SongEdit => ({ kind: 'choose', choices });

describe('a settled part', () => {
  it.each(['under-melody', 'under-melody-long', 'singing', 'tenth'] as const)(
    'keeps the keys of both hands, each in its own hand, laid out %s',
    (layout) => {
      const chosen = applyEdit(lanterns, choose({ layout }));
      const before = arrange(chosen, DEFAULT_PROFILE);
      const edit = settling(before, 0) as SongEdit;
      const settled = applyEdit(chosen, edit);
      for (const elsewhere of [{ layout: 'block' }, { level: 5 }, { layout: 'root', level: 2 }] as const) {
        const after = arrange(applyEdit(settled, choose(elsewhere)), DEFAULT_PROFILE);
        for (const hand of ['right', 'left'] as const) {
          const told = (a: typeof after) =>
            a.arranged[0]?.[hand].map((n) => [n.hand, n.tick, n.length, n.midi, n.finger, n.source]);
          expect(told(after)).toEqual(told(before));
          expect(after.arranged[0]?.[hand].every((n) => n.hand === hand)).toBe(true);
        }
      }
    },
  );

  it.each(['few', 'some', 'many'] as const)(
    'keeps every note of both hands, part by part in every demo song, fills as they were: %s',
    (measure) => {
      for (const song of DEMO_SONGS) {
        const filled = applyEdit(song, choose({ level: 7, fills: { measure, seed: 0 } }));
        const before = arrange(filled, DEFAULT_PROFILE, { withoutFingers: true });
        before.parts.forEach((part, i) => {
          const edit = settling(before, i);
          const settled = edit ? applyEdit(filled, edit) : filled;
          const after = arrange(settled, DEFAULT_PROFILE, { withoutFingers: true });
          const [was, is] = [before, after].map(({ arranged }) =>
            (['right', 'left'] as const).map((hand) =>
              arranged[i]?.[hand].map((n) => `${n.tick} ${n.length} ${n.midi} ${n.source} ${n.grace}`),
            ),
          );
          expect([song.title, part.label, is]).toEqual([song.title, part.label, was]);
        });
      }
    },
  );

  it('lets go of what came from a chord that was taken out, and keeps the rest', () => {
    const before = arrange(lanterns, DEFAULT_PROFILE);
    const settled = applyEdit(lanterns, settling(before, 0) as SongEdit);
    const without = { ...settled, changes: settled.changes.filter(({ id }) => id !== 'c2') };
    const left = arrange(without, DEFAULT_PROFILE).arranged[0]?.left ?? [];
    expect(new Set(left.map((n) => n.from))).toEqual(new Set(['c1', 'c3', 'c4']));
  });
});
