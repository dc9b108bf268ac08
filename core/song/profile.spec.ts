import { describe, expect, it } from 'vitest';
import { emptySong } from './emptySong';
import { asPreferred, DEFAULT_PROFILE } from './profile';

const song = emptySong('a', 'A tune');
const shells = { ...DEFAULT_PROFILE, layout: 'shell' } as const;

describe('a new song', () => {
  it('begins with the chord positions the pianist prefers, all else as it was', () => {
    expect(asPreferred(song, shells)).toEqual({ ...song, choices: { ...song.choices, layout: 'shell' } });
  });

  it('keeps the positions it came with, and the usual ones where nothing is known', () => {
    const tenths = { ...song, choices: { ...song.choices, layout: 'tenth' as const } };
    expect(asPreferred(tenths, shells)).toBe(tenths);
    expect(asPreferred(song, null)).toBe(song);
    expect(asPreferred(song, DEFAULT_PROFILE).choices.layout).toBe('block');
  });
});
