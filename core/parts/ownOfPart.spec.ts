import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { applyEdit, type Choices, type Song, type SongEdit, unfold } from '../song';
import { levelEdit, ownOfPart } from './ownOfPart';
import { partsOf } from './parts';

const partsIn = (song: Song) => partsOf(song, unfold(song));

describe('what a part has of its own', () => {
  const edits = (song: Song): fc.Arbitrary<SongEdit[]> => {
    const ids = fc.constantFrom(...partsIn(song).map(({ cutId }) => cutId));
    const choices: fc.Arbitrary<Partial<Choices>> = fc.record(
      {
        level: fc.integer({ min: 1, max: 7 }),
        pedal: fc.constantFrom('none' as const, 'half' as const),
        octaveShift: fc.constantFrom(1 as const, -1 as const),
      },
      { requiredKeys: [] },
    );
    return fc.array(
      fc.oneof(
        fc.record({ kind: fc.constant('choose-for-part' as const), cutId: ids, choices }),
        fc.record({ kind: fc.constant('grown' as const), cutId: ids, choices: fc.option(choices) }),
        fc.record({ kind: fc.constant('same-as' as const), cutId: ids, sameAs: fc.option(ids) }),
      ),
      { maxLength: 5 },
    );
  };
  const any = fc
    .constantFrom(...DEMO_SONGS)
    .chain((song) => fc.tuple(fc.constant(song), edits(song), fc.nat()));

  it('is what differs from the song, in parts that follow others too; given back nothing differs', () => {
    fc.assert(
      fc.property(any, ([plain, list, n]) => {
        const song = list.reduce(applyEdit, plain);
        const parts = partsIn(song);
        const part = parts[n % parts.length];
        const own = ownOfPart(song, parts, part);
        const differing = (Object.keys(part.choices) as (keyof Choices)[]).filter(
          (name) => part.choices[name] !== song.choices[name],
        );
        expect(own?.names ?? []).toEqual(expect.arrayContaining(differing));
        const back = (own?.cutIds ?? []).reduce(
          (all, cutId) => applyEdit(all, { kind: 'choices-released', cutId, names: own?.names ?? [] }),
          song,
        );
        expect(partsIn(back)[part.number - 1].choices).toEqual(song.choices);
      }),
    );
  });

  it('has the level that is chosen there, whatever it had before and whatever it follows', () => {
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 7 }), ([plain, list, n], level) => {
        const song = list.reduce(applyEdit, plain);
        const parts = partsIn(song);
        const part = parts[n % parts.length];
        const after = partsIn(applyEdit(song, levelEdit(song, parts, part, level)));
        expect(after[part.number - 1].choices.level).toBe(level);
      }),
    );
  });
});
