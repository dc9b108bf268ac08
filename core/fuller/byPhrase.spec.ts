import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { SHAPED_SONGS } from '../../demo/shaped';
import { SHAPED_SONGS_APART } from '../../demo/shaped-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { arrange } from '../arrange';
import { type HandNote, strikesOf } from '../hands';
import { nameOf, parseChord, type Chord } from '../music';
import { applyEdit, DEFAULT_PROFILE, placeIn, type PlayedNote, type Song } from '../song';
import { wholeBars } from '../testing';
import type { VoicedChange } from '../voicing';
import { closeUnder, companyOf } from './byPhrase';
import type { Company } from '../shaping';
import type { CompanyPlace } from './company';

const ALL = [...DEMO_SONGS, ...SHAPED_SONGS, ...SHAPED_SONGS_APART, ...TUNES_APART, ...UNSEEN_TUNES];
const C = { tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;

function place(midi: number, symbol: string, own: Partial<CompanyPlace> = {}): CompanyPlace {
  const chord = parseChord(symbol) as Chord;
  return {
    note: { midi, tick: 0, length: 960 } as HandNote,
    voiced: { chord, key: C } as VoicedChange,
    isStrong: true,
    isBare: false,
    seconds: 0.6,
    under: [],
    near: [],
    bass: null,
    missing: new Set(),
    ...own,
  };
}
const under = (company: Company, ...places: CompanyPlace[]): string =>
  companyOf(company, places, DEFAULT_PROFILE)
    .chosen.map((keys) => keys.join('+') || '-')
    .join(' ');

describe('what goes with the tune through a phrase', () => {
  it('are thirds in the scale, a fourth or sixth where the third is foreign to the chord', () => {
    const weak = { isStrong: false };
    expect(under('thirds', place(76, 'C'), place(77, 'C', weak), place(79, 'C'))).toBe('72 74 76');
    expect(under('sixths', place(76, 'C'), place(77, 'F', weak), place(79, 'C'))).toBe('67 69 76');
    expect(under('thirds', place(79, 'G7'))).toMatch(/74|71/);
  });

  it('is nothing where the note stays alone, below A3, or where the left hand is near', () => {
    expect(under('thirds', place(76, 'C', { isBare: true }))).toBe('-');
    expect(under('sixths', place(64, 'C'))).not.toMatch(/\b5[0-6]\b/);
    expect(under('thirds', place(76, 'C', { under: [70] }))).toBe('-');
    expect(under('thirds', place(76, 'C', { near: [71] }))).not.toContain('72');
  });

  it('is a chord of two notes under the last one of a song', () => {
    const keys = closeUnder(place(72, 'C'), DEFAULT_PROFILE).map(({ pitch }) => nameOf(pitch));
    expect(keys).toHaveLength(2);
    expect(closeUnder(place(72, 'C', { under: [66] }), DEFAULT_PROFILE).length).toBeLessThan(2);
  });
});

describe('the right hand by phrase, over all songs', () => {
  const arranged = ALL.filter(({ changes }) => changes.length > 0).map((song) =>
    arrange(applyEdit(song, { kind: 'choose', choices: { level: 6 } }), DEFAULT_PROFILE, {
      withoutFingers: true,
    }),
  );
  const tuneAt = (notes: readonly HandNote[], { tick }: HandNote): HandNote | undefined =>
    notes.find((note) => note.source === 'melody' && !note.grace && note.tick === tick);

  it('lies under the tune, an octave over it at the climax alone, in nothing of the first bar', () => {
    for (const { right, played, shape, song } of arranged) {
      const first = played.bars.find(({ number }) => number === 1);
      for (const note of right.filter(({ source }) => source === 'harmony')) {
        const tune = tuneAt(right, note);
        expect([song.title, note.tick, tune !== undefined]).toEqual([song.title, note.tick, true]);
        const over = note.midi - (tune?.midi ?? 0);
        const phrase = shape.phrases.findLast(({ fromTick }) => fromTick <= note.tick);
        expect([song.title, note.tick, over < 0 || (over === 12 && phrase?.isClimax)]).toEqual([
          song.title,
          note.tick,
          true,
        ]);
        expect(note.tick).toBeGreaterThanOrEqual((first?.tick ?? 0) + (first?.length ?? 0));
      }
    }
  });

  it('keeps clear of what the left hand strikes up to the next beat, and above A3 unless the tune is lower', () => {
    for (const { right, left, played, song } of arranged)
      for (const note of right.filter(({ source }) => source === 'harmony')) {
        const { inBeat, beatTicks } = placeIn(played.bars, note.tick);
        const until = note.tick - inBeat + beatTicks;
        const near = left.filter(
          (low) => low.tick >= note.tick && low.tick < until && Math.abs(low.midi - note.midi) <= 2,
        );
        expect([song.title, note.tick, near.map(({ midi }) => midi)]).toEqual([song.title, note.tick, []]);
        const tune = tuneAt(right, note)?.midi ?? 0;
        expect(note.midi >= 57 || tune < 57).toBe(true);
      }
  });

  it('is the tune alone where that is chosen, at every level', () => {
    for (const song of DEMO_SONGS)
      for (const level of [6, 7]) {
        const choices = { level, fuller: 'none' as const, fills: { measure: 'none' as const, seed: 0 } };
        const { right } = arrange(applyEdit(song, { kind: 'choose', choices }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        expect(strikesOf(right).every((keys) => keys.length === 1)).toBe(true);
      }
  });

  it('is nothing for a song of one plain phrase', () => {
    const plain: Song = wholeBars(['E5', 'F5', 'G5', 'E5'], ['C', 'F', 'G', 'C']);
    const { right, played } = arrange({ ...plain, choices: { ...plain.choices, level: 6 } }, DEFAULT_PROFILE);
    const tune: readonly PlayedNote[] = played.melody;
    expect(right.filter(({ source }) => source === 'melody')).toHaveLength(tune.length);
  });
});
