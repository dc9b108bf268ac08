import { strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { arrange } from '../core/arrange';
import { openFile, writeMidi, writeMusicXml } from '../core/formats';
import { findKeys, numeralOf } from '../core/harmony';
import { chroma, fifthsOf, keyName, leadingSteps, MODES, modeSteps, scaleOf } from '../core/music';
import { functionInWords } from '../core/sentences';
import { DEFAULT_PROFILE, type Song, transpose, twelveKeys } from '../core/song';
import { chordsFor, type Taste } from '../core/suggesting';
import { MODE_SONGS } from './modes';

const named = MODE_SONGS.map((song) => [keyName(song.keyMap[0]), song] as const);

describe('a tune in a mode', () => {
  it.each(named)('%s is found with its chords, without, and of its signature', (name, song) => {
    const { melody, changes, keyMap } = song;
    const best = (...args: Parameters<typeof findKeys>): string => keyName(findKeys(...args)[0].key);
    expect([
      best({ melody, changes }),
      best({ melody, changes: [] }),
      best({ melody, changes: [] }, fifthsOf(keyMap[0])),
    ]).toEqual([name, name, name]);
  });

  it('is told in its own degrees, home by its own cadence', () => {
    const told = (song: Song): string =>
      arrange(song, DEFAULT_PROFILE, { withoutFingers: true })
        .changes.slice(-2)
        .map(({ degree }) => `${degree.numeral}: ${functionInWords(degree.chordFunction)}`)
        .join(', ');
    expect(told(MODE_SONGS[0])).toBe('VII: leads home, as dorian does, i: tonic, home');
    expect(told(MODE_SONGS[2])).toBe('VII: leads home, as mixolydian does, I: tonic, home');
    expect(told(MODE_SONGS[3])).toBe('v: leads home, as mixolydian does, I: tonic, home');
    expect(told(MODE_SONGS[4])).toBe('II: leads home, as phrygian does, i: tonic, home');
    expect(told(MODE_SONGS[6])).toBe('VII: leads home, as aeolian does, i: tonic, home');
  });

  it.each(named)('%s is suggested chords of the mode that close as it does', (_, song) => {
    const [key] = song.keyMap;
    const scale = new Set(scaleOf(key).map(chroma));
    for (const taste of ['three', 'sevenths'] as Taste[]) {
      const edit = chordsFor({ ...song, changes: [] }, taste, 'all', taste === 'three');
      if (!edit || !('changes' in edit)) throw new Error('no chords');
      const chords = arrange({ ...song, changes: edit.changes }, DEFAULT_PROFILE).changes.map(
        ({ chord }) => chord,
      );
      for (const { root, type } of chords)
        expect(type.semitones.every((step) => scale.has((chroma(root) + step) % 12))).toBe(true);
      const steps = chords.slice(-2).map(({ root }) => (chroma(root) - chroma(key.tonic) + 12) % 12);
      expect(steps[1]).toBe(0);
      expect([...leadingSteps(key.mode), 5]).toContain(steps[0]);
      if (taste === 'three')
        expect(new Set(chords.map((chord) => numeralOf(chord, key))).size).toBeLessThanOrEqual(3);
    }
  });

  it.each(named)('%s comes back from a score, and from MIDI, with the mode', (name, song) => {
    const arrangement = arrange(song, DEFAULT_PROFILE);
    const text = writeMusicXml(arrangement);
    const keyIn = (file: string, bytes: Uint8Array): string => {
      const opened = openFile(file, bytes, 'id');
      return opened.kind === 'tunes' ? keyName(opened.tunes[0].song.keyMap[0]) : '';
    };
    expect(keyIn('back.musicxml', strToU8(text))).toBe(name);
    // A score that leaves the mode out is told by its signature, notes and chords.
    expect(keyIn('back.musicxml', strToU8(text.replace(/<mode>\w+<\/mode>/, '')))).toBe(name);
    const back = keyIn('back.mid', writeMidi(arrangement));
    expect(back).toBe(name === 'A aeolian' ? 'A minor' : name);
  });

  it('keeps its mode in every key it is moved to', () => {
    for (const song of MODE_SONGS)
      for (const to of twelveKeys(song.keyMap[0].mode)) {
        const by = (chroma(to.tonic) - chroma(song.keyMap[0].tonic) + 12) % 12;
        const moved = transpose(song, to, by);
        expect(keyName(moved.keyMap[0])).toBe(keyName(to));
        expect(keyName(findKeys(moved)[0].key)).toBe(keyName(to));
      }
  });

  it('is dressed without a leading note it has not got', () => {
    const [heron] = MODE_SONGS;
    const { right, left } = arrange(
      { ...heron, choices: { ...heron.choices, level: 7, fills: { measure: 'many', seed: 0 } } },
      DEFAULT_PROFILE,
    );
    expect([...right, ...left].filter(({ midi }) => midi % 12 === 1)).toEqual([]);
  });
});

describe('every mode', () => {
  it('has seven degrees that its signature writes, in all twelve keys', () => {
    for (const mode of MODES)
      for (const key of twelveKeys(mode)) {
        const steps = scaleOf(key).map((note) => (chroma(note) - chroma(key.tonic) + 12) % 12);
        expect(steps).toEqual(modeSteps(mode));
        const alters = scaleOf(key).reduce((sum, { alter }) => sum + alter, 0);
        expect(alters).toBe(fifthsOf(key));
      }
  });
});
