import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { partCard } from './partCard';
import { partLine } from './partLine';
import { plays } from './returning';

const [lanterns, sluicegate, rain] = DEMO_SONGS;
const lines = (song: Song, level = 4): string[] => {
  const a = onLevel(song, level);
  return a.parts.map((_, i) => partLine(a, i));
};

describe('a part in a line', () => {
  it('says its bars and of which part it comes; where the left hand differs only the tune comes back', () => {
    expect(lines(sluicegate)).toEqual([
      'bars 1–4',
      'bars 5–8 · new end to 1',
      'bars 9–12',
      'bars 13–16 · tune of 2',
    ]);
    expect(lines(sluicegate, 1).at(-1)).toBe('bars 13–16 · same as 2');
    expect(lines(rain)).toEqual([
      'bars 1–2',
      'bars 3–4 · rhythm of 1',
      'bars 5–6 · same as 1',
      'bars 7–8 · rhythm of 1',
      'bars 9–10 · rhythm of 1',
      'bars 11–12 · same as 2',
      'bars 13–14 · same as 1',
      'bars 15–16 · same as 4',
    ]);
  });

  it('says what is learned first where it is not the right hand and both play', () => {
    const first = (firstHand: 'left' | 'chords', level: number): string => {
      const song = applyEdit(lanterns, { kind: 'choose', choices: { firstHand, level } });
      return partLine(arrange(song, DEFAULT_PROFILE), 0);
    };
    expect([first('left', 4), first('chords', 4), first('left', 1)]).toEqual([
      'bars 1–4 · left hand first',
      'bars 1–4 · chords first',
      'bars 1–4',
    ]);
  });

  it('says "same" where the card has nothing new, and of parts to come what is known', () => {
    for (const song of DEMO_SONGS)
      for (const level of [1, 2, 3, 4, 5, 6, 7]) {
        const a = onLevel(song, level);
        a.parts.forEach((_, i) => {
          const isSame = partLine(a, i).includes('same as');
          if (isSame)
            expect([song.title, level, i, partCard(a, i).isNew]).toEqual([
              song.title,
              level,
              i,
              'Nothing: you know it already.',
            ]);
        });
      }
    const whole = onLevel(lanterns, 4);
    const partial = { ...whole, arranged: whole.arranged.map((part, i) => (i === 0 ? part : null)) };
    expect(partLine(partial, 3)).toBe(partLine(whole, 3));
    expect([plays(partial, 3, 'left'), plays(onLevel(lanterns, 1), 3, 'left')]).toEqual([true, false]);
  });
});
