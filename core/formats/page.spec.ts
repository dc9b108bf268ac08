import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { keyFromFifths, parsePitch } from '../music';
import { DEFAULT_PROFILE, type Choices, type Song } from '../song';
import { accidentalsIn } from './accidentals';
import { beamsOf } from './beams';
import { writeMusicXml } from './musicxmlWrite';
import { valuesOf } from './noteValues';
import { readMusicXml } from '../testing';

const [lanterns, , rain] = DEMO_SONGS;

describe('accidentals on a page', () => {
  const signs = (fifths: number, mode: 'major' | 'minor', ...names: string[]): (string | null)[] =>
    accidentalsIn(
      names.map((name) => ({ pitch: parsePitch(name.replace('~', '')), isHeldOn: name.endsWith('~') })),
      keyFromFifths(fifths, mode),
    );
  it('stand where the key has another note, once a bar and octave, and are taken back', () => {
    expect(signs(0, 'minor', 'G#4', 'G#4', 'G4', 'G#5')).toEqual(['sharp', null, 'natural', 'sharp']);
    expect(signs(-2, 'major', 'Bb4', 'B4', 'Bb4', 'Eb4', 'E4')).toEqual([
      null,
      'natural',
      'flat',
      null,
      'natural',
    ]);
    expect(signs(2, 'major', 'F#4', 'C#5', 'F4')).toEqual([null, null, 'natural']);
    expect(signs(0, 'major', 'Bbb3', 'F##3')).toEqual(['flat-flat', 'double-sharp']);
  });

  it('are not written again for a note held over the bar line', () => {
    expect(signs(0, 'major', 'F#4~', 'F#4')).toEqual([null, 'sharp']);
  });
});

describe('beams', () => {
  const line = (...ticks: number[]) => {
    let at = 0;
    return ticks.map((length) => {
      const note = { offset: at, value: valuesOf(Math.abs(length))[0], isRest: length < 0 };
      at += Math.abs(length);
      return note;
    });
  };
  const beams = (metre: readonly [number, number], ...ticks: number[]): string =>
    beamsOf(line(...ticks), { numerator: metre[0], denominator: metre[1] })
      .map((levels) => levels.join('/') || '-')
      .join(' ');

  it('join the notes of a beat, a dotted one in six-eight', () => {
    expect(beams([4, 4], 480, 480, 960, 480, 480, 960)).toBe('begin end - begin end -');
    expect(beams([6, 8], 480, 480, 480, 480, 480, 480)).toBe('begin continue end begin continue end');
    expect(beams([4, 4], 480, 960, 480, 480, 480)).toBe('- - - begin end');
    expect(beams([3, 4], 480, 480, 480, 480, 960)).toBe('begin end begin end -');
  });

  it('join eighths of a half bar in four-four, and what is grouped in unequal metres', () => {
    expect(beams([4, 4], 480, 480, 480, 480, 480, 480, 960)).toBe('begin continue continue end begin end -');
    expect(beams([4, 4], 480, 480, 240, 240, 480)).toBe('begin end begin/begin continue/end end');
    expect(beams([4, 4], 320, 320, 320, 480, 480)).toBe('begin continue end begin end');
    expect(beams([7, 8], 480, 480, 480, 480, 480, 480, 480)).toBe('begin end begin end begin continue end');
    expect(beams([5, 8], 480, 480, 480, 480, 480)).toBe('begin continue end begin end');
    expect(beams([3, 8], 480, 480, 480)).toBe('begin continue end');
    expect(beams([2, 2], 480, 480, 480, 480, 960, 480, 480)).toBe('begin continue continue end - begin end');
    expect(beams([6, 4], 480, 480, 480, 480, 1920)).toBe('begin continue continue end -');
  });

  it('are parted by rests, doubled for sixteenths, hooked where one stands alone', () => {
    expect(beams([4, 4], 480, -480, 480, 480)).toBe('- - begin end');
    expect(beams([4, 4], 240, 240, 480)).toBe('begin/begin continue/end end');
    expect(beams([4, 4], 720, 240)).toBe('begin end/backward hook');
    expect(beams([4, 4], 240, 720)).toBe('begin/forward hook end');
  });
});

describe('a written page', () => {
  const written = (song: Song, choices: Partial<Choices>): string =>
    writeMusicXml(arrange({ ...song, choices: { ...song.choices, ...choices } }, DEFAULT_PROFILE));
  const count = (text: string, pattern: RegExp): number => (text.match(pattern) ?? []).length;

  it('has the number of each part, loudness by section, and the pedal as it is played', () => {
    const text = written(lanterns, { level: 4 });
    const numbers = [...text.matchAll(/enclosure="square">(\d+)</g)].map((m) => Number(m[1]));
    expect(numbers).toEqual([1, 2, 3, 4, 5, 6]);
    expect([...text.matchAll(/<dynamics>\s*<(\w+)\/>/g)].map((m) => m[1])).toEqual(['mp', 'mf', 'mp']);
    expect(count(text, /<pedal type="start"/g)).toBe(24);
    expect(count(text, /<pedal type="stop"/g)).toBe(24);
    expect(count(written(lanterns, { level: 4, pedal: 'none' }), /<pedal /g)).toBe(0);
    expect(count(text, /<metronome>/g)).toBe(1);
  });

  it('has hairpins over sections that grow', () => {
    const sections = lanterns.sections.map((section, i) => ({
      ...section,
      dynamics: i === 0 ? ('growing' as const) : section.dynamics,
    }));
    const text = written({ ...lanterns, sections }, { level: 4 });
    expect([...text.matchAll(/<wedge type="(\w+)"/g)].map((m) => m[1])).toEqual(['crescendo', 'stop']);
  });

  it('rolls what the hand does not span, and writes the sharp of G♯', () => {
    const text = written(rain, { level: 4, layout: 'tenth' });
    expect(count(text, /<arpeggiate\/>/g)).toBeGreaterThan(20);
    expect(count(written(lanterns, { level: 1 }), /<accidental>sharp<\/accidental>/g)).toBeGreaterThan(1);
  });

  it('is read back with its sections and without the numbers of its parts', () => {
    const again = readMusicXml(written(lanterns, { level: 5 }), 'id', 'T');
    expect(again.sections.map(({ name }) => name)).toEqual(lanterns.sections.map(({ name }) => name));
    expect(again.imported.filter(({ said }) => /^barToo/.test(said.code))).toEqual([]);
  });
});
