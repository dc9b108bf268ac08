import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { type ArrangedChange, givenKeys } from '../arrangement';
import { midiOf, parsePitch } from '../music';
import { partIndexAt } from '../parts';
import { applyEdit, DEFAULT_PROFILE, writtenId } from '../song';
import { givenInWords } from '../words';
import { readKeys } from './inPlace';

describe('the very keys a pianist gives a chord', () => {
  const keys = fc.uniqueArray(fc.integer({ min: 33, max: 72 }), { minLength: 1, maxLength: 5 });

  it('are played, whatever the symbol and the candidates say, in any song, style and at any level with chords', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_SONGS),
        fc.nat(),
        keys,
        fc.constantFrom('block' as const, 'root' as const, 'shell' as const, 'three' as const),
        (song, n, given, layout) => {
          const { id } = song.changes[n % song.changes.length];
          const own = given.toSorted((a, b) => a - b);
          const styled = applyEdit(song, { kind: 'choose', choices: { layout } });
          const pinned = applyEdit(styled, { kind: 'pin', pin: { changeId: id, keys: own, fingers: null } });
          const { changes, left } = arrange(pinned, DEFAULT_PROFILE);
          for (const change of changes.filter((c) => writtenId(c.change.id) === id)) {
            expect([change.change.id, change.voicing.keys]).toEqual([change.change.id, own]);
            const struck = left.filter(
              (note) => note.from === change.change.id && note.tick === change.change.tick,
            );
            expect([...new Set(struck.map((note) => note.midi))].sort((a, b) => a - b)).toEqual(own);
          }
        },
      ),
    );
  });

  it.each([
    ['F#m7b5', 'E3 A3 C4', ['F♯m7♭5 without its root (F♯).', 'By themselves these keys are Am.']],
    ['Bm9', 'A2 C#3 D3 F#3', ['Bm9 without its root (B).', 'By themselves these keys are Dmaj7.']],
    ['C13', 'Bb2 E3 A3', ['C13 without its root (C), its fifth (G) and its 9 (D).']],
    [
      'C',
      'C3 F3 G3 A3',
      ['C without its third (E).', 'F and A are not in C.', 'By themselves these keys are Fadd9.'],
    ],
    ['Am', 'A2 C3 E3', []],
  ])(
    'of %s as %s: what they leave out, and what they are by themselves, is said',
    (symbol, names, wanted) => {
      const own = names.split(' ').map((name) => midiOf(parsePitch(name)));
      const [first] = DEMO_SONGS[0].changes;
      const written = applyEdit(DEMO_SONGS[0], { kind: 'change-written', id: first.id, symbol });
      const pinned = applyEdit(written, {
        kind: 'pin',
        pin: { changeId: first.id, keys: own, fingers: null },
      });
      expect(givenInWords(arrange(pinned, DEFAULT_PROFILE).changes[0])).toEqual(wanted);
    },
  );

  it('are given to one chord, or to every one written like it in its part or the song, wherever it comes again, and to no other', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_SONGS),
        fc.nat(),
        keys,
        fc.constantFrom('chord' as const, 'part' as const, 'song' as const),
        (song, n, given, scope) => {
          const before = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
          const chosen = before.changes[n % before.changes.length];
          const { changes } = arrange(
            applyEdit(song, givenKeys(before, chosen, given, scope)),
            DEFAULT_PROFILE,
            {
              withoutFingers: true,
            },
          );
          const part = partIndexAt(before.parts, chosen.change.tick);
          const isMeant = {
            // A pin on a chord as it is written holds each time it comes.
            chord: (c: ArrangedChange) =>
              c.change.id === chosen.change.id || writtenId(c.change.id) === chosen.change.id,
            part: (c: ArrangedChange) =>
              partIndexAt(before.parts, c.change.tick) === part && c.change.symbol === chosen.change.symbol,
            song: (c: ArrangedChange) => c.change.symbol === chosen.change.symbol,
          }[scope];
          const own = given.toSorted((a, b) => a - b);
          for (const c of changes.filter(isMeant))
            expect([c.change.id, c.voicing.keys]).toEqual([c.change.id, own]);
          const pinned = changes.filter(({ fixedBy }) => fixedBy === 'pin');
          expect(new Set(pinned.map(({ change }) => change.symbol))).toEqual(new Set([chosen.change.symbol]));
          if (scope === 'chord') expect(pinned.every(isMeant)).toBe(true);
        },
      ),
    );
  });

  it.each([
    ['A2 C#3 D3', { keys: [45, 49, 50] }],
    ['d3,a2+a2', { keys: [45, 50] }],
    ['', { keys: [] }],
    ['A2 X3', { problem: '“X3” is no key: write its letter and its octave, like C#3.' }],
    ['A', { problem: '“A” is no key: write its letter and its octave, like C#3.' }],
    ['C9', { problem: 'No piano has the key C9.' }],
    ['C1 D1 E1 F1 G1 A1 B1 C2 D2 E2 F2', { problem: '11 keys are more than a hand holds: at most 10.' }],
  ])('are read from letters: %j', (text, wanted) => {
    expect(readKeys(text)).toEqual(wanted);
  });
});
