import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { type Arrangement, settling } from '../arrangement';
import { type HandNote, strikesOf } from '../hands';
import { nameOf, parsePitch } from '../music';
import {
  applyEdit,
  DEFAULT_PROFILE,
  HARMONIES,
  type Harmony,
  migrateSong,
  type Song,
  type SongEdit,
} from '../song';
import { runs, songs, textOf, wholeBars } from '../testing';

const [lanterns] = DEMO_SONGS;
const give = (song: Song, ids: readonly string[], harmony: Harmony | null): Song =>
  applyEdit(song, { kind: 'notes-harmonised', ids, harmony });
const strikes = ({ right }: Pick<Arrangement, 'right'>): string[] =>
  strikesOf(right).map((keys) => keys.map(({ pitch }) => nameOf(pitch)).join(' '));
const tune = ({ right }: Arrangement): string[] =>
  right.filter(({ source }) => source === 'melody').map(({ tick, midi }) => `${tick} ${midi}`);

describe('harmony notes given to notes of the tune', () => {
  const song = wholeBars(['E5', 'A5'], ['C', 'F']);
  const [first, second] = song.melody.map(({ id }) => id);
  const with_ = (how: Harmony['how'], keys?: readonly string[]): string[] =>
    strikes(
      arrange(
        give(song, [first, second], { how, ...(keys ? { keys: keys.map(parsePitch) } : {}) }),
        DEFAULT_PROFILE,
      ),
    );

  it('are thirds and sixths of the key, chord notes clear of the tune, octaves, a drone, the very keys', () => {
    expect(with_('third-under')).toEqual(['C5 E5', 'F5 A5']);
    expect(with_('sixth-under')).toEqual(['G4 E5', 'C5 A5']);
    expect(with_('third-above')).toEqual(['E5 G5', 'A5 C6']);
    expect(with_('chord-under')).toEqual(['C5 E5', 'F5 A5']);
    expect(with_('two-under')).toEqual(['G4 C5 E5', 'C5 F5 A5']);
    expect(with_('two-above')).toEqual(['E5 G5 C6', 'A5 C6 F6']);
    expect(with_('octave-under')).toEqual(['E4 E5', 'A4 A5']);
    expect(with_('drone')).toEqual(['C5 E5', 'C5 A5']);
    expect(with_('keys', ['D5', 'Bb4'])).toEqual(['Bb4 D5 E5', 'Bb4 D5 A5']);
    expect(with_('none')).toEqual(['E5', 'A5']);
  });

  it('stand in the place of what the level gives those notes, and of no other', () => {
    const six = applyEdit(song, { kind: 'choose', choices: { level: 6, fuller: 'under' } });
    expect(strikes(arrange(six, DEFAULT_PROFILE))).toEqual(['C5 E5', 'A5']);
    expect(strikes(arrange(give(six, [first], { how: 'none' }), DEFAULT_PROFILE))).toEqual(['E5', 'A5']);
    expect(strikes(arrange(give(six, [second], { how: 'drone' }), DEFAULT_PROFILE))).toEqual([
      'C5 E5',
      'C5 A5',
    ]);
    const back = give(give(six, [first], { how: 'none' }), [first], null);
    expect([back.melody[0].harmony, strikes(arrange(back, DEFAULT_PROFILE))]).toEqual([
      undefined,
      ['C5 E5', 'A5'],
    ]);
  });

  it('go along where the note goes: with its key, its octave, and the note that is copied', () => {
    const given = give(song, [first], { how: 'keys', keys: [parsePitch('C5')] });
    const D = { tonic: { letter: 'D', alter: 0 }, mode: 'major' } as const;
    expect(
      strikes(arrange(applyEdit(given, { kind: 'transposed', key: D, semitones: 2 }), DEFAULT_PROFILE)),
    ).toEqual(['D5 F#5', 'B5']);
    const higher = applyEdit(given, { kind: 'choose', choices: { octaveShift: 1 } });
    expect(strikes(arrange(higher, DEFAULT_PROFILE))).toEqual(['C6 E6', 'A6']);
    const copied = applyEdit(given, { kind: 'phrase-copied', ids: [first], toTick: 3840 });
    expect(strikes(arrange(copied, DEFAULT_PROFILE))).toEqual(['C5 E5', 'C5 E5']);
  });

  it('are kept and said where the keyboard has no such key, or the hand no such reach', () => {
    const low = give(song, [first], { how: 'keys', keys: [parsePitch('C3'), parsePitch('A0')] });
    const { findings, right } = arrange(low, { ...DEFAULT_PROFILE, keyboard: 61 });
    expect(findings.filter(({ kind }) => kind === 'own').map(textOf)).toEqual([
      'C3, struck with E5, is wider than your right hand reaches.',
      'A0, written by hand, is not on a keyboard of 61 keys: it is not played.',
    ]);
    expect(strikes({ right })).toEqual(['C3 E5', 'A5']);
  });

  it('leave the tune as it is, on every song, level and manner, and are the same when they are read again', () => {
    const anySong = fc.oneof(songs, fc.constantFrom(...DEMO_SONGS));
    fc.assert(
      fc.property(
        anySong,
        fc.constantFrom(...HARMONIES),
        fc.constantFrom(1, 4, 6, 7),
        fc.nat(),
        (own, how, level, at) => {
          fc.pre(own.melody.length > 0);
          const levelled = applyEdit(own, {
            kind: 'choose',
            choices: { level, fills: { measure: 'none', seed: 0 } },
          });
          const { id } = own.melody[at % own.melody.length];
          const given = give(levelled, [id], {
            how,
            ...(how === 'keys' ? { keys: [parsePitch('C4')] } : {}),
          });
          expect(migrateSong(JSON.parse(JSON.stringify(given)))).toEqual(given);
          const [before, now] = [levelled, given].map((s) =>
            arrange(s, DEFAULT_PROFILE, { withoutFingers: true }),
          );
          expect(tune(now)).toEqual(tune(before));
          expect(now.left).toEqual(before.left);
          const others = (a: Arrangement): readonly HandNote[] =>
            a.right.filter(({ source, from }) => source === 'harmony' && from.split('@')[0] !== id);
          expect(others(now)).toEqual(others(before));
          if (how === 'none')
            expect(now.right.some(({ source, from }) => source === 'harmony' && from === id)).toBe(false);
        },
      ),
      { numRuns: runs(200) },
    );
  });

  it('are learned with their part', () => {
    const given = give(lanterns, ['n1'], { how: 'third-under' });
    const learned = applyEdit(given, settling(arrange(given, DEFAULT_PROFILE), 0) as SongEdit);
    const later = arrange(give(learned, ['n1'], { how: 'none' }), DEFAULT_PROFILE);
    expect(later.right.slice(0, 2).map(({ midi }) => midi)).toEqual([65, 69]);
  });
});
