import { describe, expect, it } from 'vitest';
import { VerovioToolkit } from 'verovio/esm';
import createModule from 'verovio/wasm';
import type { Arrangement } from '../core/arrangement';
import { writeMusicXml } from '../core/formats';
import { LEVELS } from '../core/levels';
import { onLevel } from '../demo/arranged';
import { DEMO_SONGS } from '../demo/songs';

const toolkit = new VerovioToolkit(await createModule());
const count = (text: string, what: RegExp): number => text.match(what)?.length ?? 0;

describe('a score as an independent engraver reads it', () => {
  it.each(DEMO_SONGS.map((song) => [song.title, song] as const))(
    '%s, at every level: as many bars, notes, fingers, chords, beams and pedals as were written',
    (_, song) => {
      for (const { number: level } of LEVELS) {
        const a = onLevel(song, level);
        const written = writeMusicXml(a);
        expect([level, toolkit.loadData(written)]).toEqual([level, 1]);
        const read = toolkit.getMEI({});
        const own = {
          bars: count(written, /<measure /g),
          notes: count(written, /<pitch>/g),
          fingers: count(written, /<fingering/g),
          chords: count(written, /<harmony/g),
          beams: count(written, /<beam number="1">begin/g),
          pedals: count(written, /<pedal /g),
        };
        expect([
          level,
          {
            bars: count(read, /<measure /g),
            notes: count(read, /<note /g),
            fingers: count(read, /<fing[ >]/g),
            chords: count(read, /<harm /g),
            beams: count(read, /<beam /g),
            pedals: count(read, /<pedal /g),
          },
        ]).toEqual([level, own]);
        // What is written is what was arranged: every key struck, once or tied on, and every chord.
        expect(own.notes - count(written, /<tie type="stop"/g)).toBe(a.right.length + a.left.length);
        expect(own.fingers).toBe(fingered(a));
      }
    },
  );
});

/** Keys that have a finger, each told once, where it is struck. */
function fingered({ right, left }: Arrangement): number {
  return [...right, ...left].filter(({ finger }) => finger !== null).length;
}
