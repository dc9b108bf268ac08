import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keyFromFifths, midiOf, nameOf, parsePitch } from '../music';
import type { OwnBars } from '../song';
import { runs } from '../testing';
import { type OwnChange, withChange } from './changing';

const C = keyFromFifths(0, 'major');
const note = (after: number, length: number, name: string, grace?: true): OwnBars['notes'][number] => ({
  after,
  length,
  pitch: parsePitch(name),
  ...(grace ? { grace } : {}),
});
const BAR: OwnBars = {
  id: 'o1',
  hand: 'left',
  tick: 0,
  length: 3840,
  how: 'instead',
  pass: null,
  notes: [note(0, 960, 'C3'), note(0, 960, 'E3'), note(960, 960, 'G2'), note(1920, 0, 'F3', true)],
};
const told = (own: OwnBars): string[] =>
  own.notes.map(({ after, length, pitch }) => `${after}+${length} ${nameOf(pitch)}`);
const after = (at: number, change: OwnChange): string[] | string => {
  const changed = withChange(BAR, at, change, C);
  return typeof changed === 'string' ? changed : [told(changed.own)[changed.at], ...told(changed.own)];
};

describe('a note written by hand', () => {
  it('goes by letters, half steps and octaves, and is found again where it stands', () => {
    expect(after(0, { kind: 'moved', steps: 3 })).toEqual([
      '0+960 F3',
      '0+960 E3',
      '0+960 F3',
      '960+960 G2',
      '1920+0 F3',
    ]);
    expect(after(2, { kind: 'moved', semitones: 1 })[0]).toBe('960+960 Ab2');
    expect(after(2, { kind: 'moved', semitones: -12 })[0]).toBe('960+960 G1');
    expect(after(0, { kind: 'moved', steps: 2 })).toBe('That key is struck there already.');
    expect(withChange({ ...BAR, notes: [note(0, 960, 'A0')] }, 0, { kind: 'moved', steps: -1 }, C)).toBe(
      'No piano has a key there.',
    );
  });

  it('goes earlier and later inside its bars, longer and shorter to their end', () => {
    expect(after(2, { kind: 'shifted', ticks: 480 })[0]).toBe('1440+960 G2');
    expect(after(2, { kind: 'shifted', ticks: 2400 })[0]).toBe('3360+480 G2');
    expect(after(0, { kind: 'shifted', ticks: -480 })).toBe(
      'It would leave these bars: change more bars together.',
    );
    expect(after(2, { kind: 'lengthened', ticks: -4000 })[0]).toBe('960+120 G2');
    expect(after(2, { kind: 'lengthened', ticks: 4000 })[0]).toBe('960+2880 G2');
    expect(after(3, { kind: 'lengthened', ticks: 480 })).toBe('A grace note has no length of its own.');
  });

  it('is held until the hand strikes again, left out, struck with another key', () => {
    const held = withChange(
      { ...BAR, notes: [note(0, 240, 'C3'), note(960, 960, 'G2')] },
      0,
      { kind: 'held' },
      C,
    );
    expect(typeof held === 'string' ? held : told(held.own)).toEqual(['0+960 C3', '960+960 G2']);
    expect(after(1, { kind: 'left-out' })).toEqual(['960+960 G2', '0+960 C3', '960+960 G2', '1920+0 F3']);
    expect(after(2, { kind: 'joined', midi: 47 })[0]).toBe('960+960 B2');
    expect(after(2, { kind: 'joined', midi: 43 })).toBe('That key is struck there already.');
    expect(withChange({ ...BAR, notes: [] }, 0, { kind: 'held' }, C)).toBe('Pick a note first.');
  });

  it('is staccato with all keys struck with it, and no longer so when asked again; a grace note never', () => {
    const chord = { ...BAR, notes: [note(0, 960, 'C3'), note(0, 960, 'E3'), note(960, 960, 'G3')] };
    const short = withChange(chord, 1, { kind: 'touched', touch: 'staccato' }, C);
    if (typeof short === 'string') throw new Error(short);
    expect(short.own.notes.map(({ touch, length }) => [touch, length])).toEqual([
      ['staccato', 960],
      ['staccato', 960],
      [undefined, 960],
    ]);
    const again = withChange(short.own, short.at, { kind: 'touched', touch: 'staccato' }, C);
    expect(again).toEqual({ own: chord, at: 1 });
    const grace = { ...BAR, notes: [{ ...note(0, 0, 'C3'), grace: true as const }] };
    expect(withChange(grace, 0, { kind: 'touched', touch: 'accent' }, C)).toContain('grace note');
  });

  it('changes no other note, whatever is done to it', () => {
    const changes: fc.Arbitrary<OwnChange> = fc.oneof(
      fc.record({ kind: fc.constant('moved' as const), steps: fc.integer({ min: -9, max: 9 }) }),
      fc.record({ kind: fc.constant('moved' as const), semitones: fc.integer({ min: -24, max: 24 }) }),
      fc.record({ kind: fc.constant('shifted' as const), ticks: fc.integer({ min: -4000, max: 4000 }) }),
      fc.record({ kind: fc.constant('lengthened' as const), ticks: fc.integer({ min: -4000, max: 4000 }) }),
    );
    fc.assert(
      fc.property(changes, fc.nat(3), (change, at) => {
        const changed = withChange(BAR, at, change, C);
        if (typeof changed === 'string') return;
        const [before, now] = [
          told(BAR).toSpliced(at, 1).sort(),
          told(changed.own).toSpliced(changed.at, 1).sort(),
        ];
        expect(now).toEqual(before);
        const { after: onset, length, pitch } = changed.own.notes[changed.at];
        expect(
          onset >= 0 && onset + length <= BAR.length && midiOf(pitch) >= 21 && midiOf(pitch) <= 108,
        ).toBe(true);
      }),
      { numRuns: runs(300) },
    );
  });
});
