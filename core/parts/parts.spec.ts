import { inWords } from '../sentences';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { parsePitch, transposePitch } from '../music';
import { applyEdit, emptySong, type Song, unfold } from '../song';
import { songs } from '../testing';
import { formLetters } from './form';
import { partIndexAt, partsOf } from './parts';
import { divideEvery } from './methods';

const parts = (song: Song, everyBars?: number): ReturnType<typeof partsOf> =>
  partsOf(everyBars ? cutEvery(song, everyBars) : song, unfold(song));
const cutEvery = (song: Song, bars: number): Song =>
  applyEdit(song, { kind: 'division-chosen', division: { method: 'bars', bars } });
const [lanterns, sluicegate] = DEMO_SONGS;

/** Bars of 4/4, each a list of quarter notes; phrases of four bars end on a half note and a half rest. */
function phrases(...lists: readonly string[]): Song {
  const melody: Song['melody'][number][] = [];
  lists.forEach((list, phrase) => {
    list.split(' ').forEach((name, i) => {
      const tick = (phrase * 16 + i) * 960;
      melody.push({
        id: `n${melody.length}`,
        tick,
        length: 960,
        pitch: parsePitch(name),
        tiedToNext: false,
        lyric: null,
        grace: false,
      });
    });
  });
  return { ...emptySong('p', 'P'), barCount: 4 * lists.length, melody };
}

const TUNE = 'C4 D4 E4 F4 G4 E4 C4 E4 F4 D4 B3 D4 C4';

describe('division', () => {
  it('cuts the demo songs where a teacher would', () => {
    expect(parts(lanterns).map((p) => [p.fromBar, p.toBar])).toEqual([
      [1, 4],
      [5, 8],
      [9, 12],
      [13, 16],
      [17, 20],
      [21, 24],
    ]);
    expect(parts(sluicegate).map((p) => p.fromTick / 960)).toEqual([0, 16, 32, 48]);
    expect(parts(sluicegate)[1].reasons.map(inWords)).toContain('begins with the same pick-up as the song');
  });

  it('puts every tick of every song in exactly one part, numbered from 1', () => {
    fc.assert(
      fc.property(songs, fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined }), (song, every) => {
        const list = parts(song, every);
        expect(list[0].fromTick).toBe(0);
        list.forEach((p, i) => {
          expect(p.number).toBe(i + 1);
          expect(p.toTick).toBeGreaterThan(p.fromTick);
          expect(p.toTick).toBe(list[i + 1]?.fromTick ?? unfold(song).endTick);
          expect(partIndexAt(list, p.fromTick)).toBe(i);
          expect(partIndexAt(list, p.toTick - 1)).toBe(i);
        });
      }),
    );
  });

  it('is the same in every key', () => {
    for (const song of DEMO_SONGS) {
      const moved = {
        ...song,
        melody: song.melody.map((n) => ({ ...n, pitch: transposePitch(n.pitch, '3m') })),
      };
      expect(parts(moved).map((p) => p.fromTick)).toEqual(parts(song).map((p) => p.fromTick));
    }
  });

  it('cuts every so many bars as asked, with the pick-up', () => {
    const cuts = divideEvery(unfold(sluicegate), 2);
    expect(cuts).toHaveLength(8);
    // Bars 3, 7, 11 and 15 have no note on the beat of the pick-up's place that begins them: all do here.
    expect(cuts[2].tick).toBe(4 * 3840);
  });

  it('takes the cuts of the pianist when there are some', () => {
    const cut = applyEdit(lanterns, {
      kind: 'cuts-placed',
      what: 'cuts',
      cuts: [{ id: 'mine', tick: 2880 * 8, locked: true }],
    });
    expect(parts(cut).map((p) => p.cutId)).toEqual(['cut0', 'mine']);
  });

  it('copes with a song of one note and one of chords only', () => {
    const one = { ...emptySong('o', 'O'), melody: [phrases('C4').melody[0]] };
    expect(parts(one)).toHaveLength(1);
    const chords = { ...lanterns, melody: [] };
    expect(parts(chords).every((p) => p.toBar - p.fromBar < 9)).toBe(true);
  });
});

describe('relations', () => {
  const relationOf = (second: string): string => parts(phrases(TUNE, second))[1].relation;
  it('finds a copy, a new ending, the same shape moved, and the same rhythm', () => {
    expect(relationOf(TUNE)).toBe('same');
    expect(relationOf('C4 D4 E4 F4 G4 E4 C4 E4 F4 D4 E4 F4 G4')).toBe('ending');
    expect(relationOf('D4 E4 F4 G4 A4 F4 D4 F4 G4 E4 C4 E4 D4')).toBe('moved');
    expect(relationOf('A4 G4 A4 B4 C5 B4 A4 G4 A4 B4 A4 G4 F4')).toBe('rhythm');
  });

  it('says by how much a part is moved', () => {
    expect(parts(phrases(TUNE, 'D4 E4 F4 G4 A4 F4 D4 F4 G4 E4 C4 E4 D4'))[1].moved).toEqual({
      steps: 1,
      semitones: null,
    });
  });

  it('writes the form with strokes for new endings', () => {
    expect(
      parts(sluicegate)
        .map((p) => p.label)
        .join(' '),
    ).toBe("A A' B A'");
    expect(
      formLetters([
        { relation: 'new', to: null, moved: null },
        { relation: 'ending', to: 0, moved: null },
        { relation: 'ending', to: 0, moved: null },
      ]),
    ).toEqual(['A', "A'", "A''"]);
  });

  it('keeps the letter of what is moved exactly, with its half steps, and back', () => {
    const up = (to: number, semitones: number | null) => ({
      relation: 'moved' as const,
      to,
      moved: { steps: 1, semitones },
    });
    expect(
      formLetters([{ relation: 'new', to: null, moved: null }, up(0, 2), up(1, 2), up(1, -2), up(0, null)]),
    ).toEqual(['A', 'A↑2', 'A↑4', 'A', 'B']);
  });

  it('lets parts share or be freed', () => {
    const [first, , , fourth] = parts(lanterns);
    expect(fourth.sharesWith).toBe(first.number);
    const freed = applyEdit(lanterns, { kind: 'same-as', cutId: fourth.cutId, sameAs: fourth.cutId });
    expect(parts(freed)[3].sharesWith).toBeNull();
    const declared = applyEdit(lanterns, {
      kind: 'same-as',
      cutId: parts(lanterns)[5].cutId,
      sameAs: first.cutId,
    });
    expect(parts(declared)[5].sharesWith).toBe(1);
  });
});
