import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { type Shaped, SHAPED, SHAPED_SONGS } from '../../demo/shaped';
import { SHAPED_APART, SHAPED_SONGS_APART } from '../../demo/shaped-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { intensityFollows, stylesFound } from '../../demo/shapeMarks';
import { arrange } from '../arrange';
import { type Arrangement, settling } from '../arrangement';
import { Memory } from '../memory';
import { barTicks, METRES } from '../music';
import { applyEdit, DEFAULT_PROFILE, type Song, type SongEdit, unfold } from '../song';
import { fitsMetre, PATTERNS } from '../patterns';
import { runs, songs } from '../testing';
import { figureIn } from './figure';
import { shapeOf } from './shape';
import { STYLES } from './styles';

const ALL = [...DEMO_SONGS, ...SHAPED_SONGS, ...SHAPED_SONGS_APART, ...TUNES_APART];
const at = (song: Song, level: number, style?: string): Arrangement =>
  arrange(
    applyEdit(song, { kind: 'choose', choices: { level, pattern: 'auto', ...(style ? { style } : {}) } }),
    DEFAULT_PROFILE,
    { withoutFingers: true },
  );
/** Songs whose choices do not hang on their cuts. */
const UNCUT = ALL.filter(({ partSettings }) => Object.keys(partSettings).length === 0);
const cutInto = (song: Song, bars: number): Song => ({
  ...song,
  division: { ...song.division, method: 'bars', bars },
});
/** Parts that are the same share their blocks: which those are the cuts say. */
const blocksOf = (a: Arrangement): string => a.changes.map(({ voicing }) => voicing.keys.join()).join(' ');
const keys = (notes: Arrangement['left']): string[] =>
  notes.map(({ tick, length, midi }) => `${tick} ${length} ${midi}`).sort();

describe('the plan of a song', () => {
  it('begins plain, has one climax, and thins after it', () => {
    for (const song of ALL) {
      const { phrases } = shapeOf(song, unfold(song), new Memory());
      const own = phrases.filter(({ frame }) => frame === undefined);
      if (own.length < 3) continue;
      const climax = own.findIndex(({ isClimax }) => isClimax);
      expect([song.title, own.filter(({ isClimax }) => isClimax).length]).toEqual([song.title, 1]);
      expect(own[0].intensity).toBeLessThanOrEqual(0.37);
      own.forEach(({ intensity, reasons }, i) => {
        expect(intensity >= 0 && intensity <= 1 && reasons.length > 0).toBe(true);
        if (i !== climax) expect(intensity).toBeLessThanOrEqual(own[climax].intensity - 0.09);
      });
    }
  });

  it.each([
    ['the songs weights were set by', SHAPED, SHAPED_SONGS],
    ['songs of other kinds, never used for a weight', SHAPED_APART, SHAPED_SONGS_APART],
  ] as const)('follows what a musician marked: %s', (_, rows, marked) => {
    const each = rows.map((row: Shaped, i) => intensityFollows(row, marked[i]));
    expect(each.reduce((sum, one) => sum + one, 0) / each.length).toBeGreaterThanOrEqual(0.7);
    expect(stylesFound(rows, marked)).toBeGreaterThanOrEqual(rows.length - 1);
  });
});

describe('the figures of styles', () => {
  it('fill every metre from its first beat on, and strike a bass there', () => {
    for (const { id, onTunesBeats, ...style } of STYLES)
      for (const metre of METRES)
        for (const figure of ['quiet', 'contrast', 'full'] as const) {
          const events = figureIn(style[figure], metre);
          const told = [id, figure, metre.numerator, metre.denominator];
          expect([...told, events[0].at, events[0].bass !== null]).toEqual([...told, 0, true]);
          events.forEach((event, i) => {
            const until = events[i + 1]?.at ?? barTicks(metre);
            expect([...told, event.length > 0, event.at + event.length <= until]).toEqual([
              ...told,
              true,
              true,
            ]);
          });
          const isWhole = onTunesBeats || metre.numerator === 3;
          expect([...told, isWhole || events.length > 1]).toEqual([...told, true]);
        }
  });
});

describe('the left hand in a style', () => {
  const styles = fc.constantFrom(undefined, ...STYLES.map(({ id }) => id));

  it('knows nothing of cuts: wherever they are it strikes the same keys, and so does what goes with the tune', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNCUT),
        fc.constantFrom(5, 6),
        fc.constantFrom(1, 2, 3, 8),
        styles,
        (song, level, bars, style) => {
          const [before, after] = [at(song, level, style), at(cutInto(song, bars), level, style)];
          // Parts that are the same share their blocks: which those are the cuts say.
          const blocks = (a: Arrangement): string =>
            a.changes.map(({ voicing }) => voicing.keys.join()).join(' ');
          fc.pre(blocks(before) === blocks(after));
          expect([song.title, style, keys(after.left)]).toEqual([song.title, style, keys(before.left)]);
          expect(keys(after.right)).toEqual(keys(before.right));
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('goes through the cuts in a pattern that was chosen, too', () => {
    const fits = (song: Song) =>
      PATTERNS.filter((row) => row.base !== 'line' && fitsMetre(row, song.metreMap[0]));
    fc.assert(
      fc.property(fc.constantFrom(...UNCUT), fc.nat(), fc.constantFrom(1, 2, 3, 8), (song, which, bars) => {
        const rows = fits(song);
        const { id: pattern } = rows[which % rows.length];
        const played = (own: Song): Arrangement =>
          arrange(applyEdit(own, { kind: 'choose', choices: { level: 5, pattern } }), DEFAULT_PROFILE, {
            withoutFingers: true,
          });
        const [before, after] = [played(song), played(cutInto(song, bars))];
        fc.pre(blocksOf(before) === blocksOf(after));
        expect([song.title, pattern, keys(after.left)]).toEqual([song.title, pattern, keys(before.left)]);
      }),
      { numRuns: runs(60) },
    );
  });

  it('stays under the tune, inside its chord, on the keyboard', () => {
    fc.assert(
      fc.property(fc.oneof(songs, fc.constantFrom(...ALL)), styles, (song, style) => {
        const a = at(song, 5, style);
        const chords = new Map(a.changes.map(({ change }) => [change.id, change]));
        for (const { tick, length, midi, from } of a.left) {
          const chord = chords.get(from);
          expect(midi).toBeGreaterThanOrEqual(21);
          expect(chord && tick >= chord.tick && tick + length <= chord.tick + chord.length).toBe(true);
          const over = a.right.filter((n) => n.tick < tick + length && n.tick + n.length > tick);
          const isUnder = over.every((n) => n.midi > midi);
          if (!isUnder)
            expect(a.findings.some(({ kind }) => ['bump', 'crowded', 'crossing'].includes(kind))).toBe(true);
        }
      }),
      { numRuns: runs(100) },
    );
  });

  it('keeps the very keys of a learned part, whatever style is chosen afterwards', () => {
    for (const song of [DEMO_SONGS[0], SHAPED_SONGS[5]]) {
      const before = at(song, 6);
      const learned = applyEdit(before.song, settling(before, 1) as SongEdit);
      for (const style of ['march', 'still']) {
        const after = at(learned, 6, style);
        const { fromTick, toTick } = before.parts[1];
        const inPart = (list: Arrangement['left']): string[] =>
          keys(list.filter(({ tick }) => tick >= fromTick && tick < toTick));
        expect([inPart(after.left), inPart(after.right)]).toEqual([
          inPart(before.left),
          inPart(before.right),
        ]);
        expect(keys(after.left)).not.toEqual(keys(before.left));
      }
    }
  });

  it('has twelve figures and more over the songs, two and more in a song with two strains', () => {
    const figure = (a: Arrangement, id: string): string => {
      const chord = a.changes.find(({ change }) => change.id === id);
      const own = a.left.filter(({ from }) => from === id);
      return own.map(({ tick }) => tick - (chord?.change.tick ?? 0)).join();
    };
    const used = new Set<string>();
    for (const song of [...SHAPED_SONGS, ...SHAPED_SONGS_APART]) {
      const a = at(song, 5);
      const here = new Set(a.changes.map(({ change }) => figure(a, change.id)));
      here.forEach((one) => used.add(`${song.metreMap[0].numerator}/${song.metreMap[0].denominator} ${one}`));
      expect([song.title, here.size > 1]).toEqual([song.title, true]);
    }
    expect(used.size).toBeGreaterThanOrEqual(12);
  });
});
