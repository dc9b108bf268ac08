import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { shifted } from './frameShift';
import type { Song } from './schema';

const [lanterns] = DEMO_SONGS;
const [, own] = lanterns.cuts;

describe('what lies after a stretch put in', () => {
  const settings = (sameAs: string | null) => ({ choices: {}, sameAs });
  const song = {
    ...lanterns,
    partSettings: {
      cut0: settings(null),
      cut5760: settings('cut0'),
      cut11520: settings('cut5760'),
      cut23040: settings('own'),
      own: settings('cut23040'),
    },
  } as unknown as Song;

  it('keeps what is said of parts nobody has cut: by the tick of the cut proposed there, from the stretch on', () => {
    const moved = shifted(song, { written: 11520, played: 11520 }, 2880, new Set(), 'new');
    expect(Object.entries(moved.partSettings).map(([id, { sameAs }]) => [id, sameAs])).toEqual([
      ['new', null],
      ['cut5760', 'new'],
      ['cut14400', 'cut5760'],
      ['cut25920', 'own'],
      ['own', 'cut25920'],
    ]);
  });

  it('leaves cuts that keep their id wherever they are, and the first part where it is not told another', () => {
    const moved = shifted(song, { written: 0, played: 0 }, -2880, new Set(['cut11520']), null);
    expect(Object.keys(moved.partSettings)).toEqual(['cut0', 'cut2880', 'cut11520', 'cut20160', 'own']);
  });

  it('moves what is written from the written tick on, and cuts from the played one', () => {
    const moved = shifted(lanterns, { written: 2880, played: own?.tick ?? 5760 }, 960, new Set(), null);
    expect(moved.melody.map(({ tick }) => tick)).toEqual(
      lanterns.melody.map(({ tick }) => (tick >= 2880 ? tick + 960 : tick)),
    );
    expect(moved.changes.map(({ tick }) => tick)).toEqual(
      lanterns.changes.map(({ tick }) => (tick >= 2880 ? tick + 960 : tick)),
    );
    expect(moved.cuts.map(({ tick }) => tick)).toEqual(
      lanterns.cuts.map(({ tick }) => (tick >= (own?.tick ?? 5760) ? tick + 960 : tick)),
    );
    // What holds at the beginning holds there still.
    expect(moved.keyMap[0].tick).toBe(0);
  });
});
