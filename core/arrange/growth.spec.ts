import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { growing, growthProposed } from './growth';
import { arrange } from './song';

const [lanterns] = DEMO_SONGS;
const arranged = (song: Song, level = 6) =>
  arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE, { withoutFingers: true });

describe('a strain that returns', () => {
  it('grows from plain to octaves, each time a step; what comes once is left alone', () => {
    const told = (song: Song): string[] =>
      growthProposed(arranged(song)).map(({ part, step }) => `${part} ${step}`);
    expect(DEMO_SONGS.map(told)).toEqual([
      ['1 plain', '2 plain', '4 with a third or sixth under', '5 with a third or sixth under'],
      ['1 plain', '2 with a third or sixth under', '4 on top of chords'],
      [
        '1 plain',
        '2 plain',
        '3 with a third or sixth under',
        '4 plain',
        '6 with a third or sixth under',
        '7 on top of chords',
        '8 with a third or sixth under',
      ],
      [
        '1 plain',
        '2 plain',
        '3 with a third or sixth under',
        '4 with a third or sixth under',
        '7 on top of chords',
        '8 on top of chords',
      ],
      [
        '1 plain',
        '2 with a third or sixth under',
        '3 on top of chords',
        '4 in octaves',
        '5 plain',
        '6 an octave up',
        '7 with a third or sixth under',
        '8 an octave up',
      ],
      ['1 plain', '2 with a third or sixth under', '4 on top of chords', '5 in octaves'],
    ]);
  });

  it('does not go where the hand cannot span it', () => {
    const small = arrange(DEMO_SONGS[4], { ...DEFAULT_PROFILE, rightReach: 7 }, { withoutFingers: true });
    expect(growthProposed(small).some(({ step }) => step === 'in octaves')).toBe(false);
    expect(growthProposed(arranged(DEMO_SONGS[4])).some(({ step }) => step === 'in octaves')).toBe(true);
  });

  it('stands at a step that can be more or less, the same steps whatever is taken', () => {
    for (const song of DEMO_SONGS) {
      const before = arranged(song);
      for (const { part, steps, at } of growthProposed(before)) {
        expect(steps.map(({ step }) => step)).toEqual([...new Set(steps.map(({ step }) => step))]);
        steps.forEach((step, i) => {
          const song2 = applyEdit(before.song, growing(before, [{ part, choices: step.choices }], true));
          const now = growthProposed(arrange(song2, DEFAULT_PROFILE, { withoutFingers: true })).find(
            (g) => g.part === part,
          );
          expect([song.title, part, now?.at, now?.isTaken, now?.steps.length]).toEqual([
            song.title,
            part,
            i,
            true,
            steps.length,
          ]);
        });
        expect(at).toBeLessThan(steps.length);
      }
    }
  });

  it('brings the song to the level on which it is played only where it is taken, and only from below', () => {
    const kinds = (level: number, isTaken: boolean): string[] => {
      const a = arranged(lanterns, level);
      const edit = growing(a, growthProposed(a).slice(0, 2), isTaken);
      return edit.kind === 'together'
        ? edit.edits.map((own) => (own.kind === 'choose' ? `level ${own.choices.level}` : own.kind))
        : [];
    };
    expect([4, 5].map((level) => kinds(level, true))).toEqual([
      ['level 6', 'grown', 'grown'],
      ['level 6', 'grown', 'grown'],
    ]);
    expect([6, 7].map((level) => kinds(level, true))).toEqual([
      ['grown', 'grown'],
      ['grown', 'grown'],
    ]);
    expect(kinds(4, false)).toEqual(['grown', 'grown']);
  });

  it('is played when it is taken, part by part, even where the part follows another, and given back', () => {
    const before = arranged(lanterns, 4);
    const all = growthProposed(before);
    const grown = applyEdit(before.song, growing(before, all, true));
    expect(grown.choices.level).toBe(6);
    const after = arrange(grown, DEFAULT_PROFILE, { withoutFingers: true });
    expect(growthProposed(after).every(({ isTaken }) => isTaken)).toBe(true);
    const dressed = (part: number): number =>
      after.right.filter(({ source, tick }) => {
        const { fromTick, toTick } = after.parts[part - 1];
        return source === 'harmony' && tick >= fromTick && tick < toTick;
      }).length;
    expect([dressed(1), dressed(2)]).toEqual([0, 0]);
    expect([dressed(4) > 0, dressed(5) > 0]).toEqual([true, true]);
    expect(after.parts[3].sharesWith).toBe(1);
    const back = applyEdit(grown, growing(after, growthProposed(after), false));
    expect(Object.values(back.partSettings).some(({ grown: g }) => g)).toBe(false);
  });
});
