import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { type HandNote, strikesOf } from '../hands';
import { chroma, KEYBOARDS, membersOf, nameOf, reachMm, spanMm } from '../music';
import { DEFAULT_PROFILE, type Fuller, type Profile, type Song } from '../song';
import { randomSong, runs, songs, wholeBars } from '../testing';
import { FULLER_MANNERS, fullerFor } from '.';
import { withStandIns } from './manners';
import { strongNotes } from './strongNotes';

const MANNERS = FULLER_MANNERS.map(({ id }) => id);

function arranged(song: Song, fuller: Fuller, level = 6, profile: Partial<Profile> = {}): Arrangement {
  const choices = { ...song.choices, level, fuller };
  return arrange({ ...song, choices }, { ...DEFAULT_PROFILE, ...profile }, { withoutFingers: true });
}

/** What sounds with each dressed note, lowest first. */
const dressed = ({ right }: Arrangement): string[] =>
  strikesOf(right)
    .filter((keys) => keys.length > 1)
    .map((keys) => keys.map(({ pitch }) => nameOf(pitch)).join(' '));

describe('a fuller right hand', () => {
  const song = wholeBars(['E5', 'A5', 'D5', 'E5'], ['C', 'F', 'G7', 'C']);
  const worked: readonly (readonly [Fuller, string[]])[] = [
    ['under', ['C5 E5', 'F5 A5']],
    ['above', ['E5 G5', 'A5 C6']],
    ['two-under', ['G4 C5 E5', 'C5 F5 A5']],
    ['octave', ['E4 E5', 'A4 A5']],
    ['frame', ['E4 G4 E5', 'A4 C5 A5']],
    ['chord', ['G4 C5 E5', 'C5 F5 A5']],
  ];
  it.each(worked)('%s: C and F under E and A, half of the notes', (manner, wanted) => {
    expect(dressed(arranged(song, manner))).toEqual(wanted);
  });

  it('takes a sixth where the chord has no third under the note, and a member of the chord alone', () => {
    expect(dressed(arranged(wholeBars(['C5', 'G5'], ['C', 'Em']), 'under'))).toEqual(['E4 C5']);
    expect(dressed(arranged(wholeBars(['A5', 'G5'], ['G7', 'Em']), 'under'))).toEqual(['F5 A5']);
  });

  it('holds only what every chord under a long note has', () => {
    const two = wholeBars(['E5', 'C5'], ['C', 'C']);
    const changes = ['C', 'Em', 'C', 'G7'].map((symbol, i) => ({
      ...two.changes[0],
      id: `c${i}`,
      tick: 1920 * i,
      length: 1920,
      symbol,
    }));
    expect(dressed(arranged({ ...two, changes }, 'under'))).toEqual(['G4 E5']);
  });

  it('is played by what stands in for it where hand or keyboard have no room, and else not at all', () => {
    expect(dressed(arranged(song, 'frame', 6, { rightReach: 6 }))).toEqual(['C5 E5', 'F5 A5']);
    expect(dressed(arranged(song, 'octave', 6, { rightReach: 7 }))).toEqual(['C5 E5', 'F5 A5']);
    const low = wholeBars(['E3', 'D3', 'E3', 'D3'], ['C', 'G', 'C', 'G']);
    expect(dressed(arranged(low, 'under'))).toEqual([]);
    expect(MANNERS.map(withStandIns)).toEqual([
      ['under'],
      ['above', 'under'],
      ['two-under', 'under'],
      ['octave', 'under'],
      ['frame', 'octave', 'under'],
      ['chord', 'two-under', 'under'],
    ]);
  });

  it('offers a hand only what it can reach', () => {
    const names = (reach: number): Fuller[] => fullerFor(reach).map(({ id }) => id);
    expect(names(7)).toEqual(['under', 'above', 'two-under', 'chord']);
    expect(names(8)).toEqual(MANNERS);
    expect(names(5)).toEqual([]);
  });

  it('goes one way in octaves all through a part', () => {
    for (const own of [...DEMO_SONGS, ...TUNES_APART]) {
      const { arranged: parts } = arranged(own, 'octave');
      for (const part of parts) {
        const sides = strikesOf(part?.right ?? []).flatMap((keys) => {
          const tune = keys.find(({ source }) => source === 'melody');
          return keys.flatMap(({ midi }) =>
            tune && Math.abs(midi - tune.midi) === 12 ? [Math.sign(midi - tune.midi)] : [],
          );
        });
        expect(new Set(sides).size).toBeLessThanOrEqual(1);
      }
    }
  });
});

describe('the notes of a tune that carry another', () => {
  const bars = [0, 1].map((i) => ({
    number: i + 1,
    written: i + 1,
    pass: 1,
    tick: 3840 * i,
    length: 3840,
    metre: { numerator: 4, denominator: 4 } as const,
  }));
  const note = (tick: number, length: number): HandNote => ({
    hand: 'right',
    tick,
    length,
    midi: 72,
    pitch: { letter: 'C', alter: 0, octave: 5 },
    source: 'melody',
    from: `n${tick}`,
    lyric: null,
    grace: false,
    finger: null,
  });
  const strong = (...line: HandNote[]): number[] => strongNotes(line, bars).map(({ tick }) => tick);

  it('are those on strong beats, at most half of them', () => {
    const quarters = [0, 960, 1920, 2880, 3840, 4800].map((tick) => note(tick, 960));
    expect(strong(...quarters)).toEqual([0, 1920, 3840]);
    expect(strong(...quarters.slice(0, 5))).toEqual([0, 3840]);
    expect(strong(note(0, 960))).toEqual([]);
  });

  it('are long ones too, wherever they begin; not those that pass within half a beat', () => {
    expect(strong(note(0, 479), note(480, 1920), note(2400, 480), note(2880, 479))).toEqual([480]);
    expect(strong(note(0, 480), note(480, 1919), note(2399, 480))).toEqual([0]);
    expect(strong({ ...note(0, 960), grace: true }, note(0, 960), note(960, 960))).toEqual([0]);
  });
});

describe('on every song, manner, hand and keyboard', () => {
  const anySong = fc.oneof(songs, fc.constantFrom(...DEMO_SONGS, ...TUNES_APART));
  const hands = fc.constantFrom(6 as const, 7 as const, 8 as const, 9 as const, 10 as const);

  it('the tune stays as it was, at most half of it dressed, with members of the chords, in reach, clear of the left hand', () => {
    fc.assert(
      fc.property(
        anySong,
        fc.constantFrom(...MANNERS),
        hands,
        fc.constantFrom(49 as const, 88 as const),
        (song, manner, rightReach, keyboard) => {
          const profile = { rightReach, keyboard };
          const [five, six] = [5, 6].map((level) => arranged(song, manner, level, profile));
          const tune = (a: Arrangement): HandNote[] => a.right.filter(({ source }) => source === 'melody');
          expect(tune(six)).toEqual(tune(five));
          expect(six.left).toEqual(five.left);
          const { low, high } = KEYBOARDS[keyboard];
          for (const part of six.arranged) {
            const right = part?.right ?? [];
            const beside = right.filter(({ source }) => source === 'harmony');
            const own = right.filter(({ source, grace }) => source === 'melody' && !grace);
            expect(new Set(beside.map(({ tick }) => tick)).size).toBeLessThanOrEqual(own.length / 2);
          }
          for (const keys of strikesOf(six.right)) {
            const beside = keys.filter(({ source }) => source === 'harmony');
            if (beside.length === 0) continue;
            expect(spanMm(keys[0].midi, keys[keys.length - 1].midi)).toBeLessThanOrEqual(
              reachMm(rightReach) + 1,
            );
            const of = keys.find(({ source }) => source === 'melody') as HandNote;
            for (const { midi, tick, length } of beside) {
              expect(midi >= low && midi <= high).toBe(true);
              const heard = six.changes.filter(
                ({ change, length: lasts }) =>
                  Math.min(change.tick + lasts, tick + length) - Math.max(change.tick, tick) >= 480,
              );
              if (Math.abs(midi - of.midi) !== 12)
                for (const { chord } of heard)
                  expect(membersOf(chord).map((member) => member.chroma)).toContain(midi % 12);
            }
          }
        },
      ),
      { numRuns: runs(250) },
    );
  });

  it('adds no bump in any demo song, and none that is not said in any other', () => {
    for (const song of DEMO_SONGS)
      for (const manner of MANNERS) {
        const kinds = arranged(song, manner).findings.map(({ kind }) => kind);
        expect([song.title, manner, kinds.filter((kind) => kind === 'bump' || kind === 'crowded')]).toEqual([
          song.title,
          manner,
          [],
        ]);
      }
    fc.assert(
      fc.property(fc.nat(1e6), fc.constantFrom(...MANNERS), (seed, manner) => {
        const { right, left, findings } = arranged(
          randomSong({ bars: 6, changesPerBar: 1, seed, lowest: 57, highest: 76 }),
          manner,
        );
        const said = new Set(findings.filter(({ kind }) => kind === 'bump').map(({ tick }) => tick));
        for (const high of right.filter(({ source }) => source === 'harmony'))
          for (const low of left) {
            const from = Math.max(low.tick, high.tick);
            const sounds = Math.min(low.tick + low.length, high.tick + high.length) > from;
            if (sounds && low.midi >= high.midi) expect([from, said.has(from)]).toEqual([from, true]);
          }
      }),
      { numRuns: runs(60) },
    );
  });

  it('asks more of the hands than the level below, over the song', () => {
    for (const song of DEMO_SONGS)
      for (const manner of MANNERS) {
        const [five, six] = [5, 6].map((level) => {
          const { efforts } = arrange(
            { ...song, choices: { ...song.choices, level, fuller: manner } },
            DEFAULT_PROFILE,
          );
          return efforts.reduce((sum, effort) => sum + (effort?.total ?? 0), 0);
        });
        expect(six).toBeGreaterThan(five);
      }
  });

  it('is spelled as its chord, its octaves as the tune', () => {
    for (const song of DEMO_SONGS) {
      const { right } = arranged(song, 'frame');
      for (const keys of strikesOf(right)) {
        const tune = keys.find(({ source }) => source === 'melody');
        for (const { midi, pitch } of keys) {
          expect(chroma(pitch)).toBe(midi % 12);
          if (tune && Math.abs(midi - tune.midi) === 12)
            expect([pitch.letter, pitch.alter]).toEqual([tune.pitch.letter, tune.pitch.alter]);
        }
      }
    }
  });
});
