import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { LEVELS } from '../levels';
import { DEFAULT_PROFILE } from '../song';
import { arrange } from './song';
import { watchFor } from './watchFor';

describe('what to watch for', () => {
  it('is of the hands that play: of one hand nothing is said of the other, in every part of every song at every level', () => {
    const said = new Set<string>();
    for (const song of DEMO_SONGS)
      for (const { number: level } of LEVELS) {
        const a = onLevel(song, level);
        a.parts.forEach((part, i) => {
          const which = [song.title, level, part.number];
          const [right, left] = (['right', 'left'] as const).map((hand) =>
            watchFor(a, part, hand).map(inWords),
          );
          expect([...which, right.filter((why) => /left|both/.test(why))]).toEqual([...which, []]);
          expect([...which, left.filter((why) => /right|both/.test(why))]).toEqual([...which, []]);
          expect([...which, watchFor(a, part, 'both')]).toEqual([...which, a.efforts[i]?.reasons]);
          for (const why of [...right, ...left]) said.add(why.replace(/[\d.]+/, 'n'));
        });
      }
    expect(said.size).toBeGreaterThan(3);
  });

  it('is of the stretch: its hardest bar alone, or nothing where nothing is played', () => {
    const a = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
    expect(watchFor(a, { fromTick: a.played.endTick, toTick: a.played.endTick + 2880 }, 'both')).toEqual([]);
    expect(watchFor(a, a.parts[0], 'both').length).toBeGreaterThan(0);
  });
});
