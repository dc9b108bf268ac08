import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { SHAPED_SONGS } from '../../demo/shaped';
import { SHAPED_SONGS_APART } from '../../demo/shaped-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { chordsFor } from '../suggesting';
import { type Song, unfold } from '../song';
import { isBlues } from './blues';
import { tuneFindings } from './tuneFindings';

const ALL = [...DEMO_SONGS, ...TUNES_APART, ...SHAPED_SONGS, ...SHAPED_SONGS_APART];

describe('a blues', () => {
  const found = ALL.filter((song) => isBlues(unfold(song)));
  it('is found among songs of all kinds, and no chromatic or modulating tune is taken for one', () => {
    expect(found.map(({ title }) => title).filter((title) => !/blues/i.test(title))).toEqual([]);
    expect(found.map(({ title }) => title)).toContain('Cold Kettle Blues');
  });

  it('has no slips in its blue notes, and is given dominant sevenths', () => {
    const [blues] = found;
    const bare: Song = { ...blues, changes: [], pins: [] };
    const held = bare.melody.map((note) => ({
      ...note,
      pitch: { letter: 'E', alter: -1, octave: 4 } as const,
    }));
    const long = {
      ...bare,
      melody: bare.melody.map((note, i) => (i === 1 ? { ...held[1], length: 960 } : note)),
    };
    expect(tuneFindings(long, unfold(long)).filter(({ kind }) => kind === 'accidental')).toEqual([]);
    for (const taste of ['three', 'sevenths', 'colourful'] as const) {
      const symbols = (chordsFor(bare, taste, 'all')?.changes ?? []).map(({ symbol }) => symbol);
      expect(
        symbols.filter((symbol) => /^(C|F|G)/.test(symbol)).every((symbol) => symbol.endsWith('7')),
      ).toBe(true);
    }
  });
});
