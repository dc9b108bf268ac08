import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { keyName, midiOf } from '../music';
import { DEFAULT_PROFILE, transpose } from '../song';
import { wholeBars } from '../testing';
import { easierKeys } from './easierKeys';

describe('easier keys', () => {
  it('ranks all twelve, fewest black keys first for a plain tune', () => {
    const inD = transpose(
      wholeBars(['C4', 'E4', 'G4', 'F4'], ['C', 'Am', 'G', 'F']),
      { tonic: { letter: 'D', alter: 0 }, mode: 'major' },
      2,
    );
    const ranked = easierKeys(inD, DEFAULT_PROFILE);
    expect(ranked).toHaveLength(12);
    expect([keyName(ranked[0].key), ranked[0].semitones, ranked[0].blackShare]).toEqual(['C major', -2, 0]);
    expect(inWords(ranked[0].reasons[0])).toBe('no black key');
    expect(ranked.map((k) => k.effort)).toEqual([...ranked.map((k) => k.effort)].sort((a, b) => a - b));
  });

  it('keeps the melody inside a voice when somebody sings along', () => {
    const song = DEMO_SONGS[0];
    const singer = { low: 55, high: 70 };
    const [best] = easierKeys(song, { ...DEFAULT_PROFILE, singer });
    expect(best.beyondVoice).toBe(0);
    const keys = transpose(song, best.key, best.semitones).melody.map((n) => midiOf(n.pitch));
    expect(Math.min(...keys)).toBeGreaterThanOrEqual(singer.low);
    expect(Math.max(...keys)).toBeLessThanOrEqual(singer.high);
    expect(best.reasons.map(inWords)).toContain('inside the voice');
  });
});
