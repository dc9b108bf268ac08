import { strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { arrange } from '../core/arrange';
import { FileError, openFile, writeMidi, writeMusicXml, writeMxl } from '../core/formats';
import { checkedSong, DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import { damaged } from './damage';

const EACH = 120;
const a = arrange(DEMO_SONGS[1], DEFAULT_PROFILE);
const sources: readonly (readonly [name: string, bytes: Uint8Array])[] = [
  ['x.musicxml', strToU8(writeMusicXml(a))],
  ['x.mid', writeMidi(a)],
  ['x.mxl', writeMxl(a)],
];
describe('damaged files', () => {
  for (const [name, bytes] of sources)
    it(`${EACH} damaged ${name}: a sentence, or a whole song that can be arranged`, () => {
      let [opened, refused] = [0, 0];
      for (let seed = 1; seed <= EACH; seed++) {
        try {
          const file = openFile(name, damaged({ name, bytes }, seed).bytes, 'id');
          const song = file.kind === 'tunes' ? file.tunes[0].song : file.song;
          expect(checkedSong(song)).toEqual(song);
          arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
          opened++;
        } catch (error) {
          if (!(error instanceof FileError))
            throw new Error(`seed ${seed}: ${String(error)}`, { cause: error });
          expect(error.message).toMatch(/^[A-Z"].*\.$/);
          refused++;
        }
      }
      expect(opened + refused).toBe(EACH);
      expect(refused).toBeGreaterThan(10);
    });
});
