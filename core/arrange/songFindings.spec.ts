import { imports, offers, says } from '../sentences';
import { offersOf, textOf } from '../testing';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { applyEdit, DEFAULT_PROFILE, type Finding, type Profile, type Song } from '../song';
import { arrange } from './song';

const [lanterns] = DEMO_SONGS;
const found = (song: Song, kind: Finding['kind'], profile: Profile = DEFAULT_PROFILE): readonly Finding[] =>
  arrange(song, profile, { withoutFingers: true }).findings.filter((finding) => finding.kind === kind);

describe('what the song itself makes a pianist want to know', () => {
  it('nothing of a song as it should be', () => {
    for (const kind of ['unclear', 'imported', 'fill', 'keyboard'] as const)
      expect(found(lanterns, kind)).toEqual([]);
  });

  it('notes of an import, each of its own at the same tick, with nothing to be done', () => {
    const texts = ['A slur was left out.', 'A trill was left out.'];
    const imported = texts.map((text) => ({ tick: 2880, said: { code: 'asTold', facts: [text] } }));
    expect(found({ ...lanterns, imported }, 'imported')).toEqual([
      { kind: 'imported', tick: 2880, about: '1', says: [imports.asTold(texts[0])], remedies: [] },
      { kind: 'imported', tick: 2880, about: '2', says: [imports.asTold(texts[1])], remedies: [] },
    ]);
  });

  it('a chord that cannot be read, where it stands, with a way to leave it out', () => {
    const [first, second, ...rest] = lanterns.changes;
    const unclear = { ...second, symbol: 'H?' };
    const [finding, ...others] = found({ ...lanterns, changes: [first, unclear, ...rest] }, 'unclear');
    expect(others).toEqual([]);
    expect(finding.tick).toBe(second.tick);
    expect(textOf(finding)).toMatch(
      /^.*H\?.* The left hand rests here\. Write the chord in another way, or leave it out\.$/,
    );
    expect(finding.remedies).toEqual([
      { offer: offers.leaveItOut(), edit: { kind: 'change-written', id: second.id, symbol: 'N.C.' } },
    ]);
  });

  it('a fill whose chord is gone, and only that', () => {
    const taken = (id: string) => ({ id, kind: 'turn', variant: 'x' });
    const song = { ...lanterns, fillsTaken: [taken('turn:x:c3'), taken('turn:x:gone')] };
    expect(found(song, 'fill').filter(({ about }) => about !== undefined)).toEqual([
      {
        kind: 'fill',
        tick: 0,
        about: 'turn:x:gone',
        says: [says.fillAlone('turn')],
        remedies: [{ offer: offers.leaveFillOut(), edit: { kind: 'fill-left', id: 'turn:x:gone' } }],
      },
    ]);
  });

  it('keys off the keyboard: how many, from which on, and the part an octave nearer', () => {
    const small = { ...DEFAULT_PROFILE, keyboard: 49 } as const;
    const [high, low] = [2, -3].map((octaves) => ({
      ...lanterns,
      melody: lanterns.melody.map((note) => ({
        ...note,
        pitch: { ...note.pitch, octave: note.pitch.octave + octaves },
      })),
    }));
    const off = (raised: Song) => {
      const { right } = arrange(raised, small, { withoutFingers: true });
      return right.filter(({ source, midi }) => source === 'melody' && (midi < 36 || midi > 84));
    };
    for (const [raised, by] of [
      [high, -1],
      [low, 1],
    ] as const) {
      const keys = off(raised);
      const [finding] = found(raised, 'keyboard', small);
      expect(keys.length).toBeGreaterThan(1);
      expect(finding.tick).toBe(keys[0].tick);
      expect(textOf(finding)).toMatch(
        new RegExp(`^\\S+ and ${keys.length - 1} more of the melody lies off a keyboard of 49 keys\\.$`),
      );
      const label = `Play this part an octave ${by > 0 ? 'higher' : 'lower'}`;
      expect(offersOf(finding)).toEqual([label]);
      expect(finding.remedies?.[0].edit).toMatchObject({
        kind: 'choose-for-part',
        choices: { octaveShift: by },
      });
      // What is moved already is moved no further than an octave.
      const edit = finding.remedies?.[0].edit;
      if (!edit) throw new Error('there is a way');
      const moved = applyEdit(raised, edit);
      const still = found(moved, 'keyboard', small).find(({ tick }) => tick === finding.tick);
      expect(still?.remedies ?? []).toEqual([]);
    }
  });
});
