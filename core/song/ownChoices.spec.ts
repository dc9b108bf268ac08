import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { songs } from '../testing';
import { applyEdit, type SongEdit } from './edits';
import { ownChoicesAt } from './ownChoices';
import { songSchema } from './schema';

describe('choices of a part of its own', () => {
  const cutId = fc.constantFrom('cut0', 'cut1', 'cut2');
  const own: fc.Arbitrary<SongEdit> = fc.oneof(
    fc.record({
      kind: fc.constant('choose-for-part' as const),
      cutId,
      choices: fc.record(
        { level: fc.integer({ min: 1, max: 7 }), pedal: fc.constantFrom('none' as const, 'half' as const) },
        { requiredKeys: [] },
      ),
    }),
    fc.record({
      kind: fc.constant('grown' as const),
      cutId,
      choices: fc.option(fc.record({ level: fc.integer({ min: 1, max: 7 }) })),
    }),
  );

  it('are told, and given up name by name, and nothing else is', () => {
    fc.assert(
      fc.property(songs, fc.array(own, { maxLength: 6 }), cutId, (song, edits, at) => {
        const chosen = edits.reduce(applyEdit, song);
        const without = applyEdit(chosen, { kind: 'choices-released', cutId: at, names: ['level'] });
        expect(ownChoicesAt(without, at)).toEqual(
          ownChoicesAt(chosen, at).filter((name) => name !== 'level'),
        );
        for (const other of ['cut0', 'cut1', 'cut2'].filter((id) => id !== at))
          expect(without.partSettings[other]).toEqual(chosen.partSettings[other]);
        expect(without.partSettings[at].name).toEqual(chosen.partSettings[at]?.name ?? null);
        expect(songSchema.safeParse(without).success).toBe(true);
      }),
    );
  });
});
