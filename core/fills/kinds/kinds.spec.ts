import { describe, expect, it } from 'vitest';
import { arrange } from '../../arrange';
import { nameOf, parsePitch } from '../../music';
import { barAt, DEFAULT_PROFILE, type Profile, type Song } from '../../song';
import { wholeBars } from '../../testing';
import type { Fill } from '../fill';

/** Bars of one long note and one chord each, then what a kind proposes for bar `bar`, by its variants. */
function proposed(
  kind: string,
  bar: number,
  notes: readonly string[],
  chords: readonly string[],
  profile: Profile = { ...DEFAULT_PROFILE, experience: 'fluent' },
  change: (song: Song) => Song = (song) => song,
): string[] {
  const song = change(wholeBars(notes, chords));
  const choices = {
    ...song.choices,
    level: 7,
    pattern: 'rocking',
    fuller: 'none' as const,
    fills: { measure: 'none' as const, seed: 0 },
  };
  const a = arrange({ ...song, choices }, profile, { withoutFingers: true });
  return a.fills
    .filter((fill) => fill.kind === kind && barAt(a.played.bars, fill.tick).number === bar)
    .map(told);
}

const told = ({ variant, notes }: Fill): string =>
  `${variant}: ${notes.map(({ tick, length, pitch }) => `${(tick / 960) % 4}/${length / 960} ${nameOf(pitch)}`).join(', ')}`;

describe('each kind, worked by hand', () => {
  const four = ['C5', 'D5', 'E5', 'C5'];
  const chords = ['C', 'G', 'F', 'C'];

  it('a run comes home by three or five notes of the scale, from the side the tune comes from first', () => {
    expect(proposed('run', 1, four, chords)).toEqual([
      'three-from-below: 2.5/0.5 A4, 3/0.5 B4, 3.5/0.5 C5',
      'three-from-above: 2.5/0.5 G5, 3/0.5 F5, 3.5/0.5 E5',
      'five-from-below: 1.5/0.5 F4, 2/0.5 G4, 2.5/0.5 A4, 3/0.5 B4, 3.5/0.5 C5',
      'five-from-above: 1.5/0.5 B5, 2/0.5 A5, 2.5/0.5 G5, 3/0.5 F5, 3.5/0.5 E5',
    ]);
  });

  it('a sweep opens the chord from the second half of the note, and rings on', () => {
    expect(proposed('sweep', 1, four, chords)).toEqual(['up: 2/0.5 E5, 2.5/0.5 G5, 3/0.5 C6, 3.5/0.5 E6']);
  });

  it('a passing chord is the next one a half step beside itself, under a tune that is of it, with no double signs', () => {
    const under = (tune: string, into: string): string[] =>
      proposed('passing', 1, [tune, 'C5', 'C5', 'C5'], ['F', into, 'C', 'C']).map(
        (line) => line.split(':')[0],
      );
    expect(under('Ab5', 'C')).toEqual(['half-step-above']);
    expect(under('B5', 'C')).toEqual(['half-step-below']);
    // A half step above C flat would be D double flat.
    expect(under('G5', 'Cb')).toEqual([]);
    expect(under('D5', 'Cb')).toEqual(['half-step-below']);
    // Between roots a whole step apart there is a diminished one, where the tune is of it.
    expect(under('C6', 'G')).toEqual(['diminished', 'half-step-above']);
    expect(under('Eb6', 'G')).toEqual(['diminished', 'half-step-above']);
  });

  it('an inner voice falls by step from member to member under the note', () => {
    expect(proposed('inner', 1, ['G5', 'D5', 'E5', 'C5'], chords)).toEqual([
      'falling: 1/1 E5, 2/1 D5, 3/1 C5',
      'rising: 1/1 C5, 2/1 D5, 3/1 E5',
    ]);
  });

  it('ornaments: a step below before the note, beaten at its beginning, turned in its last beat', () => {
    expect(proposed('grace', 2, ['C5', 'A5', 'E5', 'C5'], chords)).toEqual([
      'step-below: 0/0 G5',
      'half-step-below: 0/0 G#5',
    ]);
    // A key that is still down cannot be struck: D5 follows C5.
    expect(proposed('grace', 2, four, chords)).toEqual(['half-step-below: 0/0 C#5']);
    expect(proposed('trill', 2, four, chords)).toEqual([
      'step-above: 0.25/0.25 E5, 0.5/0.25 D5, 0.75/0.25 E5, 1/3 D5',
    ]);
    expect(proposed('turn', 2, four, chords)[0]).toMatch(
      /^three-notes: 3\/0\.33\d+ E5, 3\.33\d*\/0\.33\d+ D5, 3\.66\d*\/0\.33\d+ C5$/,
    );
    expect(proposed('turn', 4, four, chords)).toEqual([]);
  });

  it('a suspended close has the fourth for two beats, the second where there is time, and not under the third', () => {
    const last = (note: string, symbol: string): string[] =>
      proposed('suspension', 4, ['C5', 'D5', 'E5', note], ['C', 'G', 'F', symbol]);
    expect(last('C6', 'C')[0]).toMatch(/^fourth: 0\/2 \w+, 0\/2 F\d, 0\/2 \w+, 2\/2 /);
    expect(last('E6', 'C')).toEqual([]);
    expect(last('C6', 'C7')).toEqual([]);
    const long = (song: Song): Song => ({
      ...song,
      melody: song.melody.slice(0, 2).concat({ ...song.melody[2], length: 2 * 3840 }),
      changes: song.changes.slice(0, 2).concat({ ...song.changes[2], length: 2 * 3840 }),
    });
    expect(
      proposed('suspension', 3, ['C5', 'D5', 'F6', 'F6'], ['C', 'G', 'F', 'F'], undefined, long)[0],
    ).toMatch(/^fourth-second: .*0\/2 B\w*\d.*2\/2 .*0\/4 /);
  });

  it('a close is not suspended where a key of it would lie off the keyboard', () => {
    // A chord of A flat from its third, the lowest C of the shorter keyboards: the second in its place lies below.
    const fromThird = (song: Song): Song => ({
      ...song,
      melody: song.melody.slice(0, 1).map((note) => ({ ...note, length: 2 * 3840 })),
      changes: song.changes.slice(0, 1).map((change) => ({ ...change, length: 2 * 3840 })),
      pins: [{ changeId: song.changes[0].id, keys: [36, 39, 44], fingers: null }],
    });
    const closes = (keyboard: Profile['keyboard']): string[] =>
      proposed('suspension', 1, ['Eb5', 'Eb5'], ['Ab', 'Ab'], { ...DEFAULT_PROFILE, keyboard }, fromThird);
    expect(closes(88)).toEqual([expect.stringMatching(/^fourth-second: .*2\/2 Bb1/)]);
    expect(closes(61)).toEqual([]);
  });

  it('the last note comes low as the keyboard allows, as an octave where the hand spans it', () => {
    expect(proposed('low-end', 4, four, chords)).toEqual(['octave: 3/1 C1, 3/1 C2', 'alone: 3/1 C1']);
    const small: Profile = { ...DEFAULT_PROFILE, keyboard: 61, leftReach: 7 };
    expect(proposed('low-end', 4, four, chords, small)).toEqual(['alone: 3/1 C2']);
  });

  it('a passing chord lies between roots a whole step apart, or a half step beside the next, and agrees with the tune', () => {
    const c = (note: string): string[] =>
      proposed('passing', 1, [note, 'D6', 'E6', 'C6'], ['C', 'Dm', 'F', 'C'], undefined, (song) => ({
        ...song,
        choices: { ...song.choices, fuller: 'octave' },
      }));
    expect(c('E6')[0]).toMatch(/^diminished: 2\/2 /);
    expect(
      c('E6')[0]
        .match(/[A-G][#b]*\d/g)
        ?.map((name) => name.replace(/\d/, ''))
        .sort(),
    ).toEqual(['Bb', 'C#', 'E', 'G']);
    expect(c('D6')).toEqual([]);
  });

  it('an echo comes an octave up in its own rhythm, and a tune in the left hand under the note that is held', () => {
    const quarters = (song: Song): Song => ({
      ...song,
      melody: ['E5', 'F5', 'G5']
        .map((name, i) => ({
          ...song.melody[0],
          id: `q${i}`,
          tick: i * 480,
          length: i < 2 ? 480 : 3840 - 960,
          pitch: parsePitch(name),
        }))
        .concat(song.melody.slice(1)),
    });
    expect(proposed('echo', 1, four, chords, undefined, quarters)).toEqual(
      ['last-3: 3/0.5 E6, 3.5/0.5 F6'].map(() => expect.stringMatching(/^last-2/)),
    );
    const sung = proposed('left-tune', 1, ['C6', 'D5', 'E5', 'C5'], chords);
    expect(sung).toEqual(['rising: 1/1 C3, 2/1 E3, 3/1 G3']);
  });
});
