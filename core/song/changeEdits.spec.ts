import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { parsePitch } from '../music';
import { runs, songs, wholeBars } from '../testing';
import {
  changeAdded,
  changeLeftOut,
  changeMoved,
  type ChangesEdit,
  changesPlaced,
  changesShifted,
  chordPut,
} from './changeEdits';
import { applyEdit, type SongEdit } from './edits';
import { DEFAULT_PROFILE } from './profile';
import { type Song, songSchema } from './schema';

const [lanterns, , rain] = DEMO_SONGS;
const edited = (song: Song, edit: SongEdit | null): Song => {
  if (!edit) throw new Error('nothing to do');
  return applyEdit(song, edit);
};
const placesOf = (song: Song) => song.changes.map((c) => [c.tick, c.length]);

describe('changes', () => {
  it('are moved by half a beat, the one before lasting up to them; back again is as before', () => {
    const later = edited(lanterns, changeMoved(lanterns, 'c2', 480));
    expect(placesOf(later).slice(0, 3)).toEqual([
      [0, 3360],
      [3360, 2400],
      [5760, 2880],
    ]);
    expect(placesOf(edited(later, changeMoved(later, 'c2', -480)))).toEqual(placesOf(lanterns));
    expect(changeMoved(lanterns, 'c1', -480)).toBeNull();
    expect(changeMoved(lanterns, 'c2', 2880)).toBeNull();
    expect(changeMoved(lanterns, 'nothing', 480)).toBeNull();
  });

  it('are left out, the one before sounding on', () => {
    const out = edited(lanterns, changeLeftOut(lanterns, 'c2'));
    expect(placesOf(out).slice(0, 2)).toEqual([
      [0, 5760],
      [5760, 2880],
    ]);
    expect(edited(lanterns, changeLeftOut(lanterns, 'c1')).changes[0].tick).toBe(2880);
  });

  it('are added where another sounds, or in a gap up to the bar line', () => {
    const split = edited(lanterns, changeAdded(lanterns, 960, 'E7'));
    expect(placesOf(split).slice(0, 2)).toEqual([
      [0, 960],
      [960, 1920],
    ]);
    const gap = { ...lanterns, changes: lanterns.changes.slice(4) };
    const filled = edited(gap, changeAdded(gap, 2880, 'F'));
    expect(changeAdded(lanterns, 24 * 2880 + 960, 'F')).toBeNull();
    expect(changeAdded(lanterns, 2879, 'F')).toBeNull();
    expect(filled.changes[0]).toMatchObject({ tick: 2880, length: 2880, symbol: 'F', given: true });
  });

  it('wait for the beat when they are to be easy, and come with the note held over when as sung', () => {
    const [note] = wholeBars(['C5'], ['C']).melody;
    const early = {
      ...wholeBars(['C5', 'C5'], ['C', 'F']),
      melody: [
        { ...note, length: 3360 },
        { ...note, id: 'n1', tick: 3360, length: 4320, pitch: parsePitch('A4') },
      ],
    };
    const sung = applyEdit(early, changesPlaced(early, 'as-sung'));
    expect(placesOf(sung)).toEqual([
      [0, 3360],
      [3360, 4320],
    ]);
    expect(placesOf(applyEdit(sung, changesPlaced(sung, 'easy')))).toEqual(placesOf(early));
    expect(placesOf(applyEdit(rain, changesPlaced(rain, 'easy')))).toEqual(placesOf(rain));
  });

  it('whatever is done leave a valid song in time without overlaps', () => {
    const acts = fc.array(
      fc.tuple(
        fc.constantFrom('move', 'out', 'add', 'easy', 'sung'),
        fc.nat(99),
        fc.integer({ min: -4, max: 4 }),
      ),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(songs, acts, (start, list) => {
        let song = start;
        for (const [act, n, by] of list) {
          const change = song.changes[n % Math.max(1, song.changes.length)];
          const edit: SongEdit | null = {
            move: () => (change ? changeMoved(song, change.id, by * 480) : null),
            out: () => (change ? changeLeftOut(song, change.id) : null),
            add: () => changeAdded(song, song.pickup + n * 480, 'Am'),
            easy: () => changesPlaced(song, 'easy'),
            sung: () => changesPlaced(song, 'as-sung'),
          }[act as 'move']();
          if (edit) song = applyEdit(song, edit);
        }
        expect(songSchema.safeParse(song).success).toBe(true);
        song.changes.forEach((c, i) => {
          const next = song.changes[i + 1];
          if (next) expect(c.tick + c.length).toBeLessThanOrEqual(next.tick);
        });
        expect(arrange(song, DEFAULT_PROFILE, { withoutFingers: true }).changes.length).toBeLessThanOrEqual(
          song.changes.length,
        );
      }),
      { numRuns: runs(60) },
    );
  });
});

describe('all chords a beat later or earlier', () => {
  const song = wholeBars(['E5', 'D5', 'C5'], ['C', 'G', 'C']);
  const told = (edit: ChangesEdit | null) =>
    edit?.changes.map(({ tick, length }) => [tick / 960, length / 960]);

  it('keep their lengths, the last up to the end; what would begin before the song begins with it', () => {
    expect(told(changesShifted(song, 1))).toEqual([
      [1, 4],
      [5, 4],
      [9, 3],
    ]);
    expect(told(changesShifted(song, -1))).toEqual([
      [0, 3],
      [3, 4],
      [7, 4],
    ]);
  });

  it('not where one would be lost', () => {
    const short = { ...song, changes: [{ ...song.changes[0], tick: 2 * 3840 + 2880, length: 960 }] };
    expect(changesShifted(short, 1)).toBeNull();
    expect(changesShifted({ ...song, changes: [] }, 1)).toBeNull();
  });
});

describe('a chord put under a note', () => {
  const song = wholeBars(['E5', 'D5'], ['C', 'G']);
  it('is another symbol where one begins, else a new one up to the next', () => {
    const put = (tick: number) =>
      edited(song, chordPut(song, tick, 'Am')).changes.map(({ symbol, tick: at, length }) => [
        symbol,
        at,
        length,
      ]);
    expect(put(3840)).toEqual([
      ['C', 0, 3840],
      ['Am', 3840, 3840],
    ]);
    expect(put(1920)).toEqual([
      ['C', 0, 1920],
      ['Am', 1920, 1920],
      ['G', 3840, 3840],
    ]);
    // The keys that were pinned for the chord before go with it.
    const pin = { changeId: song.changes[1].id, keys: [43, 50], fingers: null };
    const pinned = applyEdit(song, { kind: 'pin', pin });
    expect(edited(pinned, chordPut(pinned, 3840, 'Am')).pins).toEqual([]);
  });
});
