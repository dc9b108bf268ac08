import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { DEFAULT_PROFILE } from '../song';
import { archiveOf } from './archive';
import { BackupWriter, openBackup } from './backup';
import { FileError } from './fileError';

const profile = { ...DEFAULT_PROFILE, leftReach: 7 as const, keyboard: 61 as const };
const pupil = { ...DEFAULT_PROFILE, id: 'ann', name: 'Ann', leftReach: 6 as const };
const practice = { turns: [{ at: 5 }], standings: [] };

function written(): Uint8Array {
  const writer = new BackupWriter([profile, pupil]);
  DEMO_SONGS.forEach((song, i) => writer.add(i === 1 ? { song, practice } : { song }));
  return writer.finish();
}

const songsOf = (bytes: Uint8Array) => {
  const backup = openBackup(bytes);
  return Array.from({ length: backup.count }, (_, i) => backup.read(i));
};

describe('a backup', () => {
  it('gives back every song with what was practised, and the profiles', () => {
    expect(songsOf(written())).toEqual(
      DEMO_SONGS.map((song, i) => (i === 1 ? { song, practice } : { song })),
    );
    expect(openBackup(written()).profiles).toEqual([profile, pupil]);
    expect(written()).toEqual(written());
  });

  it('is refused in a sentence where it is cut short, from a newer version, or none', () => {
    const whole = written();
    expect(() => openBackup(whole.slice(0, whole.length / 2))).toThrow(/damaged or cut short/);
    const entries = unzipSync(whole);
    const list = JSON.parse(strFromU8(entries['backup.json'])) as object;
    const listed = (value: unknown) => zipSync({ ...entries, 'backup.json': strToU8(JSON.stringify(value)) });
    expect(() => openBackup(listed({ ...list, version: 2 }))).toThrow(
      /newer version of the program.*form is 2/,
    );
    expect(() => openBackup(listed({ songs: [] }))).toThrow(/not a backup/);
    expect(() => openBackup(zipSync({ 'backup.json': strToU8('{') }))).toThrow(/not a backup/);
    expect(() => openBackup(archiveOf([{ name: 'a.txt', content: 'a' }]))).toThrow(FileError);
  });

  it('loses no more than the song that cannot be read', () => {
    const entries = unzipSync(written());
    delete entries['songs/0003.joined.json'];
    const backup = openBackup(zipSync({ ...entries, 'songs/0002.joined.json': strToU8('{"format":') }));
    expect(backup.count).toBe(6);
    expect([0, 3, 4, 5].map((i) => backup.read(i).song.id)).toEqual(
      DEMO_SONGS.filter((_, i) => i !== 1 && i !== 2).map(({ id }) => id),
    );
    expect(() => backup.read(1)).toThrow(/^The project file is damaged or cut short/);
    expect(() => backup.read(2)).toThrow(/^It is missing from the file/);
  });

  it('is refused where it would unpack into more than a machine can hold', () => {
    // What the archive says of its contents is believed before it is unpacked.
    const whole = zipSync({ 'backup.json': new Uint8Array(1000) });
    const view = new DataView(whole.buffer, whole.byteOffset);
    const central = whole.findIndex(
      (_, i) => view.byteLength > i + 4 && view.getUint32(i, true) === 0x02014b50,
    );
    view.setUint32(central + 24, 900 * 1024 * 1024, true);
    expect(() => openBackup(whole)).toThrow(/too large/);
  });

  it('of before has one profile; one that cannot be used is left out', () => {
    const entries = unzipSync(written());
    const list = JSON.parse(strFromU8(entries['backup.json'])) as object;
    const profilesOf = (differs: object): unknown => {
      const changed = JSON.stringify({ ...list, ...differs });
      return openBackup(zipSync({ ...entries, 'backup.json': strToU8(changed) })).profiles;
    };
    expect(profilesOf({ profiles: undefined })).toEqual([profile]);
    expect(profilesOf({ profiles: undefined, profile: 3 })).toEqual([]);
    expect(profilesOf({ profiles: [3, pupil] })).toEqual([pupil]);
  });
});

describe('an archive', () => {
  it('holds every file, also those of the same name', () => {
    const file = (name: string, content: string) => ({ name, content });
    const all = [
      file('a.txt', '1'),
      file('a.txt', '2'),
      file('a.txt', '3'),
      file('b-log.csv', ''),
      file('plain', 'x'),
      file('plain', 'y'),
    ];
    const entries = unzipSync(archiveOf(all));
    expect(Object.keys(entries)).toEqual(['a.txt', 'a-2.txt', 'a-3.txt', 'b-log.csv', 'plain', 'plain-2']);
    expect(strFromU8(entries['a-3.txt'])).toBe('3');
    expect(archiveOf(all)).toEqual(archiveOf(all));
  });
});
