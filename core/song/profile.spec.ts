import { describe, expect, it } from 'vitest';
import { emptySong } from './emptySong';
import { asPreferred, DEFAULT_PROFILE, profileOf } from './profile';

const song = emptySong('a', 'A tune');
const shells = { ...DEFAULT_PROFILE, layout: 'shell' } as const;

describe('a new song', () => {
  it('begins with the chord positions the pianist prefers, all else as it was', () => {
    expect(asPreferred(song, shells)).toEqual({ ...song, choices: { ...song.choices, layout: 'shell' } });
  });

  it('keeps the positions it came with, and the usual ones of the usual profile', () => {
    const tenths = { ...song, choices: { ...song.choices, layout: 'tenth' as const } };
    expect(asPreferred(tenths, shells)).toBe(tenths);
    expect(asPreferred(song, DEFAULT_PROFILE).choices.layout).toBe('block');
  });
});

describe('the profile of a song', () => {
  it('is the one it names; the first where it names none, or one that is gone', () => {
    const ann = { ...DEFAULT_PROFILE, id: 'ann', name: 'Ann' };
    const of = (profile: string | null, all = [DEFAULT_PROFILE, ann]): string =>
      profileOf({ profile }, all).name;
    expect([of('ann'), of(null), of('gone'), of('ann', []), of(null, [ann])]).toEqual([
      'Ann',
      'Me',
      'Me',
      'Me',
      'Ann',
    ]);
  });
});
