import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { stepsIn } from '../joining';
import { classNameOf, nameOf, parsePitch, typeset } from '../music';
import { applyEdit, DEFAULT_PROFILE, type MelodyNote, type Song } from '../song';
import { runs, songs, wholeBars } from '../testing';
import { partCard } from './partCard';
import { stepInWords } from './steps';
import { rightHandInWords } from './walkthrough';

const note = (
  id: string,
  tick: number,
  length: number,
  name: string,
  own: Partial<MelodyNote> = {},
): MelodyNote => ({
  id,
  tick,
  length,
  pitch: parsePitch(name),
  tiedToNext: false,
  lyric: null,
  grace: false,
  ...own,
});
const bars = wholeBars(['E5', 'D5', 'C5', 'C5'], ['C', 'G', 'Am', 'C']);
/** A note tied over a bar line, a whole bar of it, and a grace note. */
const tied: Song = {
  ...bars,
  melody: [
    note('n1', 0, 3840, 'E5', { tiedToNext: true }),
    note('n2', 3840, 1920, 'E5'),
    note('n3', 5760, 1920, 'D5'),
    note('g4', 7680, 0, 'B4', { grace: true }),
    note('n4', 7680, 3840, 'C5', { tiedToNext: true }),
    note('n5', 11520, 3840, 'C5'),
  ],
};
const a = arrange(tied, DEFAULT_PROFILE);

describe('a tie and a grace note, in words', () => {
  it('are told in the line: what is held is no rest, what leads in is named', () => {
    expect(rightHandInWords(a, 0).slice(1)).toEqual([
      'Bar 1: E   (on 1)',
      'Bar 2: E held, down to D   (on 3)',
      'Bar 3: down to C (B just before)   (on 1)',
      'Bar 4: C held',
    ]);
    expect(partCard(a, 0).lines.map(({ letters, counts }) => [letters, counts])).toEqual([
      ['E', '1'],
      ['E held, down to D', '3'],
      ['down to C (B just before)', '1'],
      ['C held', ''],
    ]);
  });

  it('are told at each step', () => {
    expect(stepsIn(a, a.parts[0]).map(stepInWords)).toEqual([
      'Bar 1, on 1. Both together: right E5 with 4; left C3 E3 G3 with 5 3 1.',
      'Bar 2, on 1. Left hand alone: B2 D3 G3 with 5 3 1; E5 is held.',
      'Bar 2, on 3. Right hand alone: D5 with 3.',
      expect.stringMatching(
        /^Bar 3, on 1\. Both together: right C5 .*left C3 E3 A3 with 5 3 1; B4 just before\.$/,
      ),
      'Bar 4, on 1. Left hand alone: C3 E3 G3 with 5 3 1; C5 is held.',
    ]);
    expect(stepsIn(a, a.parts[0], 'left').every(({ held }) => held.length === 0)).toBe(true);
  });

  it('chords without a tune are told as chords, not as a line', () => {
    const only = applyEdit({ ...bars, melody: [] }, { kind: 'choose', choices: { layout: 'singing' } });
    expect(partCard(arrange(only, DEFAULT_PROFILE), 0).lines.map(({ letters }) => letters)).toEqual([
      'C4+E4+G4',
      'B3+D4+G4',
      'C4+E4+A4',
      'C4+E4+G4',
    ]);
  });
});

describe('every strike of the right hand', () => {
  it('is told in its bar with its letter, at any level of any song, and what sounds on is', () => {
    fc.assert(
      fc.property(
        fc.oneof(songs, fc.constantFrom(...DEMO_SONGS)),
        fc.constantFrom(1, 4, 6, 7),
        (song, level) => {
          const b = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE, {
            withoutFingers: true,
          });
          b.parts.forEach((part, index) => {
            const told = rightHandInWords(b, index);
            for (const bar of b.played.bars) {
              if (bar.tick < part.fromTick || bar.tick + bar.length > part.toTick) continue;
              const name = bar.number === 0 ? 'Pick-up' : `Bar ${bar.number}`;
              const lines = told.filter((line) => line.startsWith(`${name}:`)).join(' ');
              const struck = b.right.filter(
                ({ tick, grace }) => !grace && tick >= bar.tick && tick < bar.tick + bar.length,
              );
              for (const { pitch } of struck)
                expect([
                  name,
                  lines.includes(typeset(classNameOf(pitch))) || lines.includes(typeset(nameOf(pitch))),
                ]).toEqual([name, true]);
            }
          });
        },
      ),
      { numRuns: runs(60) },
    );
  });
});
