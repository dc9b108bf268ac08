import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { DEFAULT_PROFILE } from '../song';
import { writePartCards } from './partCards';

describe('the cards of all parts', () => {
  it('tell each part: its bars and seconds, first key, every bar, what is new', () => {
    const lines = writePartCards(arrange(DEMO_SONGS[1], DEFAULT_PROFILE)).split('\n');
    expect(lines.slice(0, 11)).toEqual([
      'Sluicegate Song',
      '===============',
      '',
      'Part 1 A, Verse: bars 1–4, about 9 seconds',
      '------------------------------------------',
      'First key: the D above middle C, with finger 1.',
      'Pick-up: D, on 4; “The”.',
      expect.stringMatching(/^Bar 1: .*, on 1, .*; “tide is tur-ning”; G on 1\.$/),
      expect.stringMatching(/^Bar 2: /),
      expect.stringMatching(/^Bar 3: /),
      expect.stringMatching(/^Bar 4: /),
    ]);
    expect(lines.filter((line) => line.startsWith('Part '))).toHaveLength(4);
    expect(lines.filter((line) => line.startsWith('New here: '))).toHaveLength(4);
  });
});
