import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { keyName, scaleOf, chroma, midiOf, nameOf } from '../music';
import { songs } from '../testing';
import { applyEdit } from './edits';
import { nearestWay, transpose, twelveKeys } from './transpose';
import { unfold } from './unfold';

const [lanterns] = DEMO_SONGS;

describe('transposing', () => {
  it('respells melody and chords by interval and carries pins', () => {
    const pinned = applyEdit(lanterns, {
      kind: 'pin',
      pin: { changeId: 'c4', keys: [56, 59, 62, 64], fingers: null },
    });
    const inC = transpose(pinned, { tonic: { letter: 'C', alter: 0 }, mode: 'minor' }, 3);
    expect(inC.melody.slice(4, 8).map((n) => nameOf(n.pitch))).toEqual(['C5', 'Ab4', 'C5', 'B4']);
    expect(inC.changes.slice(0, 4).map((c) => c.symbol)).toEqual(['Cm', 'Ab', 'Fm', 'G7']);
    expect(inC.pins[0].keys).toEqual([59, 62, 65, 67]);
    expect(keyName(inC.keyMap[0])).toBe('C minor');
  });

  it('down and up again gives the same song, in all keys', () => {
    const song = fc.oneof(fc.constantFrom(...DEMO_SONGS), songs);
    fc.assert(
      fc.property(song, fc.nat(11), (original, index) => {
        const from = original.keyMap[0];
        const key = twelveKeys(from.mode)[index];
        const way = nearestWay(from, key);
        const back = transpose(transpose(original, key, way), from, -way);
        expect(back.melody.map((n) => midiOf(n.pitch))).toEqual(original.melody.map((n) => midiOf(n.pitch)));
        expect(unfold(back).changes.map((c) => c.chord && chroma(c.chord.root))).toEqual(
          unfold(original).changes.map((c) => c.chord && chroma(c.chord.root)),
        );
      }),
    );
  });

  it('keeps notes of the key in the key, so that no foreign accidental appears', () => {
    for (const song of DEMO_SONGS)
      for (const key of twelveKeys(song.keyMap[0].mode)) {
        const moved = transpose(song, key, nearestWay(song.keyMap[0], key));
        const before = scaleOf(song.keyMap[0]).map(nameless);
        const after = scaleOf(moved.keyMap[0]).map(nameless);
        song.melody.forEach((note, i) => {
          const degree = before.indexOf(nameless(note.pitch));
          if (degree >= 0) expect(nameless(moved.melody[i].pitch)).toBe(after[degree]);
        });
      }
  });

  it('refuses half steps that do not lead to the key', () => {
    expect(() => transpose(lanterns, { tonic: { letter: 'C', alter: 0 }, mode: 'minor' }, 4)).toThrow(
      RangeError,
    );
  });
});

function nameless({ letter, alter }: { letter: string; alter: number }): string {
  return `${letter}${alter}`;
}

describe('harmony notes of one time', () => {
  it('go along into another key, and back', () => {
    const c = (octave: number) => ({ letter: 'C' as const, alter: 0, octave });
    const keys = { how: 'keys' as const, keys: [c(4)] };
    const first = lanterns.melody[0];
    const song = {
      ...lanterns,
      melody: [{ ...first, harmonies: [null, keys] }, ...lanterns.melody.slice(1)],
    };
    const up = transpose(song, { tonic: { letter: 'D', alter: 0 }, mode: 'minor' }, 5);
    expect(up.melody[0].harmonies).toEqual([
      null,
      { how: 'keys', keys: [{ letter: 'F', alter: 0, octave: 4 }] },
    ]);
    expect(transpose(up, { tonic: { letter: 'A', alter: 0 }, mode: 'minor' }, -5).melody[0]).toEqual(
      song.melody[0],
    );
  });
});
