import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { changesIn } from '../arrangement';
import { LEVELS } from '../levels';
import { classNameOf, typeset } from '../music';
import { partSummary } from './summary';

describe('a part in words, for those who do not see the seam', () => {
  it('tells place, right hand and chords of a part of a waltz with block chords', () => {
    expect(partSummary(onLevel(DEMO_SONGS[0], 4), 0)).toEqual([
      'Part 1 A, Verse, bars 1–4.',
      'The right hand starts on the A above middle C, with finger 3.',
      'Bar 1: A, up to B, on 1, 3.',
      'Bar 2: up to C, down to B, on 1, 3.',
      'Bar 3: down to A, down to F, up to A, on 1, 2, 3.',
      'Bar 4: down to G♯, on 1.',
      'Am with A, on 1 of bar 1. Left hand: C E A.',
      'F with C, on 1 of bar 2. Left hand: C F A.',
      'Dm with A, on 1 of bar 3. Left hand: D F A.',
      'E7 with G♯, on 1 of bar 4. Left hand: D E G♯ B.',
    ]);
  });

  it('tells a moving left hand strike by strike', () => {
    const [am] = partSummary(onLevel(DEMO_SONGS[0], 5), 0).filter((line) => line.startsWith('Am'));
    expect(am).toBe('Am with A, on 1 of bar 1. Left hand: A, then C, then A.');
  });

  it('names every key the left hand strikes, and no other: all songs, levels and parts', () => {
    for (const song of DEMO_SONGS)
      for (const { number } of LEVELS) {
        const arrangement = onLevel(song, number);
        arrangement.parts.forEach((part, index) => {
          const ids = new Set(changesIn(arrangement.changes, part).map((c) => c.change.id));
          const struck = (arrangement.arranged[index]?.left ?? []).filter((n) => ids.has(n.from));
          const told = partSummary(arrangement, index)
            .flatMap((line) => /Left hand: (.*)\.$/.exec(line)?.[1] ?? [])
            .filter((keys) => keys !== 'rests')
            .flatMap((keys) => keys.split(/, then | /));
          expect([...told].sort()).toEqual(struck.map((n) => typeset(classNameOf(n.pitch))).sort());
        });
      }
  });
});
