import { strFromU8, strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange/song';
import { DEFAULT_PROFILE, songSchema } from '../song/schema';
import { seeded } from '../testing';
import { FileError } from './fileError';
import { writeMidi } from './midiWrite';
import { writeMusicXml } from './musicxmlWrite';
import { writeMxl } from './mxlWrite';
import { openFile } from './openFile';

const EACH = 180;
/** Nothing may take longer than this, in milliseconds: a hang, not a measure of speed. */
const HANG = 5000;

const a = arrange(DEMO_SONGS[1], DEFAULT_PROFILE);
const sources: readonly (readonly [name: string, bytes: Uint8Array])[] = [
  ['x.musicxml', strToU8(writeMusicXml(a))],
  ['x.mid', writeMidi(a)],
  ['x.mxl', writeMxl(a)],
];
const TAGS = [
  '<duration>',
  '<step>',
  '<octave>',
  '<beats>',
  '<divisions>',
  '<alter>',
  '<fifths>',
  '<root-step>',
];

/** Damages a file: bytes changed, a stretch cut out or doubled, the end missing, a value in it replaced. */
function mutate(bytes: Uint8Array, seed: number): Uint8Array {
  const chance = seeded(seed);
  const at = (size = bytes.length): number => Math.floor(chance() * size);
  const [from, to] = [at(), at()].sort((x, y) => x - y);
  switch (seed % 6) {
    case 0: {
      const copy = bytes.slice();
      for (let i = 0; i < 1 + at(8); i++) copy[at()] = at(256);
      return copy;
    }
    case 1:
      return bytes.slice(0, to);
    case 2:
      return Uint8Array.from([...bytes.slice(0, from), ...bytes.slice(Math.min(to, from + 400))]);
    case 3:
      return Uint8Array.from([...bytes.slice(0, to), ...bytes.slice(Math.max(from, to - 600))]);
    case 4: {
      const copy = bytes.slice();
      copy.set(bytes.slice(from, Math.min(to, from + 64)), at(Math.max(1, bytes.length - 64)));
      return copy;
    }
    default: {
      const text = strFromU8(bytes, true);
      const tag = TAGS[at(TAGS.length)];
      const place = text.indexOf(tag, at(text.length));
      if (place < 0) return bytes.slice(from);
      const value = ['-7', '0', '99999999999', 'x', '', '1e9', 'NaN'][at(7)];
      const end = text.indexOf('<', place + 1);
      return strToU8(text.slice(0, place + tag.length) + value + text.slice(end), true);
    }
  }
}

describe('damaged files', () => {
  for (const [name, bytes] of sources)
    it(`${EACH} damaged ${name}: a sentence, or a whole song that can be arranged`, () => {
      let [opened, refused] = [0, 0];
      for (let seed = 1; seed <= EACH; seed++) {
        const started = Date.now();
        try {
          const file = openFile(name, mutate(bytes, seed), 'id');
          const song = file.kind === 'tunes' ? file.tunes[0].song : file.song;
          expect(songSchema.safeParse(song).error?.issues ?? []).toEqual([]);
          arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
          opened++;
        } catch (error) {
          if (!(error instanceof FileError))
            throw new Error(`seed ${seed}: ${String(error)}`, { cause: error });
          expect(error.message).toMatch(/^[A-Z"].*\.$/);
          refused++;
        }
        expect(Date.now() - started).toBeLessThan(HANG);
      }
      expect(opened + refused).toBe(EACH);
      expect(refused).toBeGreaterThan(10);
    });
});
