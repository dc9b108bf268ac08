import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { DEFAULT_PROFILE, type Song } from '../song';
import { spotInWords } from '../words';
import { fillSpots, likePlaces, otherPasses } from './fillSpots';

const [lanterns, , , , jig] = DEMO_SONGS;
const onSeven = (song: Song) =>
  arrange({ ...song, choices: { ...song.choices, level: 7 } }, DEFAULT_PROFILE, { withoutFingers: true });

describe('places with room', () => {
  it('are told by bar, count, what makes the room, how much, and for which hand', () => {
    const a = onSeven(lanterns);
    expect(
      fillSpots(a, a.parts[0]).map(
        (spot) => `${spot.bar}, ${spot.count}, ${spot.symbol}: ${spotInWords(spot)}`,
      ),
    ).toEqual([
      '1, 1, Am: A held note: 2 beats of room, for the right hand. The right hand lies on A4.',
      '2, 1 e, F: A held note: 2 beats of room, for the right hand. The right hand lies on C5.',
      '3, 1, Dm: Strong notes: one beat of room, for the right hand. The right hand lies on A4.',
      '4, 1, E7: The end of the part: 3 beats of room, for either hand. The right hand lies on G♯4; the left hand lies on E2.',
    ]);
    const fingered = arrange(a.song, DEFAULT_PROFILE);
    expect(spotInWords(fillSpots(fingered, fingered.parts[0])[0])).toMatch(
      /The right hand lies on A4 \([1-5]\)\.$/,
    );
    const last = fillSpots(a, a.parts[5]).at(-1);
    expect([last?.what, last?.hands]).toEqual(['last-bars', ['right', 'left']]);
  });

  it('have the best first, and lie in the part', () => {
    for (const song of DEMO_SONGS) {
      const a = onSeven(song);
      for (const part of a.parts)
        for (const { fills, tick } of fillSpots(a, part)) {
          expect(tick >= part.fromTick && tick < part.toTick).toBe(true);
          const ranks = fills.map(({ rank }) => rank);
          expect(ranks).toEqual([...ranks].sort((x, y) => x - y));
        }
    }
  });

  it('are none where the tune never rests, but for strong notes', () => {
    const a = onSeven(jig);
    const kinds = new Set(a.parts.flatMap((part) => fillSpots(a, part).map(({ what }) => what)));
    expect([...kinds].sort()).toEqual(['last-bars', 'strong-notes']);
  });

  it('like one are those of its kind, one a chord, and its other passes are where the part comes back', () => {
    const a = onSeven(lanterns);
    const walk = a.fills.find(({ kind }) => kind === 'walk');
    if (!walk) throw new Error('Lanterns has walks');
    const alike = likePlaces(a, walk);
    expect(alike.map(({ kind }) => kind)).toEqual(alike.map(() => 'walk'));
    expect(new Set(alike.map(({ changeId }) => changeId)).size).toBe(alike.length);
    expect(alike.length).toBe(5);
    expect(otherPasses(a, a.parts[0], walk)).toEqual(['walk:c16']);
    expect(otherPasses(a, a.parts[2], walk)).toEqual([]);
  });
});
