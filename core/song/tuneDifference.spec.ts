import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { writtenBars } from './bars';
import { applyEdit } from './edits';
import { transpose } from './transpose';
import { tuneDiffers } from './tuneDifference';

const [lanterns, sluicegate] = DEMO_SONGS;

describe('the tunes of two versions', () => {
  it('differ in the bars in which a note does, and in no other', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_SONGS), fc.nat(), fc.nat(), (song, i, j) => {
        const changed = new Set([i % song.melody.length, j % song.melody.length]);
        const melody = song.melody.map((note, at) =>
          changed.has(at) ? { ...note, pitch: { ...note.pitch, octave: note.pitch.octave + 1 } } : note,
        );
        const numbers = writtenBars(song).flatMap(({ number, tick, length }) =>
          song.melody.some((note, at) => changed.has(at) && note.tick >= tick && note.tick < tick + length)
            ? [number]
            : [],
        );
        expect(tuneDiffers(song, { ...song, melody })).toEqual(numbers);
        expect(tuneDiffers({ ...song, melody }, song)).toEqual(numbers);
      }),
    );
  });

  it('do not differ where only the arrangement does; words and missing notes are seen', () => {
    const arranged = applyEdit({ ...lanterns, id: 'b' }, { kind: 'choose', choices: { level: 6 } });
    expect(tuneDiffers(lanterns, arranged)).toEqual([]);
    expect(tuneDiffers(lanterns, { ...lanterns, melody: lanterns.melody.slice(0, -1) })).toEqual([24]);
    const renamed = lanterns.melody.map((note) => ({ ...note, id: `x${note.id}` }));
    expect(tuneDiffers(lanterns, { ...lanterns, melody: renamed })).toEqual([]);
    const sung = sluicegate.melody.map((note, at) => (at === 3 ? { ...note, lyric: null } : note));
    expect(tuneDiffers(sluicegate, { ...sluicegate, melody: sung })).toEqual([1]);
  });

  it('cannot be laid beside each other in another key or with other bars', () => {
    const higher = transpose(lanterns, { tonic: { letter: 'B', alter: 0 }, mode: 'minor' }, 2);
    expect(tuneDiffers(lanterns, higher)).toBeNull();
    expect(tuneDiffers(lanterns, { ...lanterns, barCount: 25 })).toBeNull();
  });
});
