import { describe, expect, it } from 'vitest';
import { type Chord, parseChord } from '../music';
import { DEFAULT_PROFILE, type Fuller, type Profile } from '../song';
import { keysBeside, type OctaveSide } from './beside';

const E5 = 76;
function beside(
  manner: Fuller,
  symbols: string,
  {
    midi = E5,
    side = -12,
    leftTop = 0,
    ...own
  }: Partial<Profile & { midi: number; side: OctaveSide; leftTop: number }> = {},
): string {
  const chords = symbols.split(' ').map((symbol) => parseChord(symbol) as Chord);
  return keysBeside(manner, { midi, chords, leftTop, profile: { ...DEFAULT_PROFILE, ...own } }, side).join(
    ' ',
  );
}

describe('keys beside a note of the tune, by hand', () => {
  it('a frame holds the chord note nearest to a fourth above its thumb', () => {
    // G4 and C5 lie in the octave under E5: a third and a sixth above E4; a fourth is between, nearer to the third.
    expect(beside('frame', 'C')).toBe('64 67');
    // With A4 there is the fourth itself.
    expect(beside('frame', 'Am7')).toBe('64 69');
    expect(beside('frame', 'Am7', { side: 12 })).toBe('81 88');
    // Only what is clear of both ends: of C5 and E5 under F5 the second is a half step from it.
    expect(beside('frame', 'C', { midi: 77 })).toBe('65 72');
    // Where the hand does not span an octave there is none.
    expect(beside('frame', 'C', { rightReach: 7 })).toBe('');
  });

  it('an octave on the side of the part, where the keyboard and the left hand leave room', () => {
    expect([beside('octave', 'C'), beside('octave', 'C', { side: 12 })]).toEqual(['64', '88']);
    expect(beside('octave', 'C', { midi: 100, side: 12, keyboard: 88 })).toBe('');
    expect([61, 62].map((leftTop) => beside('octave', 'C', { leftTop }))).toEqual(['64', '']);
  });

  it('under: a third or sixth that the chord has, the third before the sixth, the lower of two equal ones first', () => {
    expect(beside('under', 'C')).toBe('72');
    expect(beside('under', 'Em')).toBe('67');
    expect(beside('under', 'C Em')).toBe('67');
    // C and C♯ would both be thirds under E: the one that sounds with both chords.
    expect(beside('under', 'A C#m')).toBe('73');
    expect(beside('under', 'G7 C')).toBe('67');
    expect(beside('under', 'Dm')).toBe('');
    expect(beside('under', 'C', { leftTop: 70 })).toBe('');
  });

  it('above: what fills out best from a third on', () => {
    expect(beside('above', 'C')).toBe('79');
    expect(beside('above', 'F')).toBe('84');
    expect(beside('above', 'C', { midi: 106 })).toBe('');
  });

  it('two under: two chord notes clear of the tune and of one another', () => {
    expect(beside('two-under', 'C')).toBe('67 72');
    // F4, A4 and C5 lie under it: the sixth and the third, not the ones beside one another.
    expect(beside('two-under', 'Am7')).toBe('67 72');
    expect(beside('two-under', 'F')).toBe('69 72');
  });

  it('a chord: up to three notes from the tune down, as many as the hand holds, two at least', () => {
    expect(beside('chord', 'C')).toBe('67 72');
    expect(beside('chord', 'Am7')).toBe('67 69 72');
    expect([8, 6].map((rightReach) => beside('chord', 'F', { rightReach } as Partial<Profile>))).toEqual([
      '65 69 72',
      '69 72',
    ]);
    expect(beside('chord', 'Am7', { leftTop: 66 })).toBe('69 72');
    expect(beside('chord', 'C', { leftTop: 66 })).toBe('');
  });
});
