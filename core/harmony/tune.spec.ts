import { offers } from '../sentences';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { keyName, barTicks, parsePitch } from '../music';
import {
  writtenBars,
  applyEdit,
  findingId,
  DEFAULT_PROFILE,
  type Song,
  nearestWay,
  transpose,
  twelveKeys,
} from '../song';
import { textOf, wholeBars } from '../testing';
import { chordsFromKeys } from './chordsFromKeys';
import { findKeys } from './keyFinding';

describe('finding the key', () => {
  for (const song of DEMO_SONGS)
    it(`${song.title}: right in all twelve transpositions`, () => {
      for (const key of twelveKeys(song.keyMap[0].mode)) {
        const moved = transpose(song, key, nearestWay(song.keyMap[0], key));
        expect(keyName(findKeys(moved)[0].key)).toBe(keyName(key));
        expect(keyName(findKeys({ melody: moved.melody, changes: [] })[0].key)).toBe(keyName(key));
      }
    });
});

describe('chords read off keys', () => {
  const bars = writtenBars(wholeBars(['C4', 'C4'], ['C', 'C']));
  const inC = () => ({ tonic: { letter: 'C' as const, alter: 0 }, mode: 'major' as const });
  const hold = (tick: number, length: number, ...keys: number[]) =>
    keys.map((midi) => ({ tick, length, midi, weight: 1 }));

  it('are one a bar for a waltz figure, two where the bar changes in the middle', () => {
    const whole = barTicks({ numerator: 4, denominator: 4 });
    const broken = [
      ...hold(0, 960, 48),
      ...hold(960, 960, 52, 55),
      ...hold(1920, 960, 52, 55),
      ...hold(2880, 960, 52, 55),
    ];
    expect(chordsFromKeys(broken, bars.slice(0, 1), inC).map((c) => c.symbol)).toEqual(['C']);
    const two = [
      ...hold(0, 1920, 50, 53, 57),
      ...hold(1920, 1920, 55, 59, 65),
      ...hold(whole, whole, 48, 52, 55),
    ];
    expect(chordsFromKeys(two, bars, inC).map((c) => [c.symbol, c.tick])).toEqual([
      ['Dm', 0],
      ['G7', 1920],
      ['C', 3840],
    ]);
  });

  it('are none in a pick-up of one key alone', () => {
    const [first, second] = bars;
    const pickup = { ...first, number: 0 };
    const keys = [...hold(0, 960, 49), ...hold(second.tick, 3840, 45, 49, 52)];
    expect(chordsFromKeys(keys, [pickup, second], inC).map((c) => [c.symbol, c.tick])).toEqual([
      ['A', second.tick],
    ]);
  });

  it('are none where nothing sounds', () => {
    expect(chordsFromKeys([], bars, inC)).toEqual([]);
  });
});

describe('findings of the tune', () => {
  const song = wholeBars(['C4', 'E4', 'G4', 'C4'], ['C', 'Am', 'G', 'C']);
  const kinds = (s: Song): string[] => arrange(s, DEFAULT_PROFILE).findings.map((f) => f.kind);
  const mend = (s: Song): Song => {
    const fix = arrange(s, DEFAULT_PROFILE)
      .findings.filter((f) => f.kind !== 'muddy' && f.kind !== 'rub')
      .flatMap((f) => f.remedies ?? [])[0];
    return applyEdit(s, fix.edit);
  };
  const withNote = (index: number, change: Partial<Song['melody'][number]>): Song => ({
    ...song,
    melody: song.melody.map((n, i) => (i === index ? { ...n, ...change } : n)),
  });

  it('are none on the demo songs: each opens without one that needs action', () => {
    for (const demo of DEMO_SONGS)
      expect([demo.title, arrange(demo, DEFAULT_PROFILE).findings]).toEqual([demo.title, []]);
  });

  it('name overlaps, and one press ends the first note in time', () => {
    const overlapping = withNote(0, { length: 4800 });
    expect(kinds(overlapping)).toContain('overlap');
    expect(mend(overlapping)).toEqual(song);
  });

  it('name two notes at once, and one press leaves the lower out', () => {
    const double = withNote(1, { tick: 0 });
    expect(mend(double).melody.map((n) => n.id)).toEqual(['n1', 'n2', 'n3']);
  });

  it('name a likely slip and offer the note of the key', () => {
    const slip = withNote(1, { pitch: parsePitch('Bb4') });
    expect(kinds(slip)).toContain('accidental');
    expect(mend(slip).melody[1].pitch).toEqual(parsePitch('B4'));
  });

  it('let a chromatic neighbour and a raised leading note pass', () => {
    expect(kinds(withNote(1, { pitch: parsePitch('F#4') }))).not.toContain('accidental');
    expect(
      kinds({
        ...song,
        keyMap: [{ tick: 0, tonic: { letter: 'A', alter: 0 }, mode: 'minor' }],
        melody: withNote(1, { pitch: parsePitch('G#4') }).melody,
      }),
    ).not.toContain('accidental');
  });

  it('in minor take the raised sixth and seventh for usual, held as long as may be, and no other note outside the key', () => {
    const inMinor = (pitch: string): boolean =>
      kinds({
        ...wholeBars(['A4', pitch, 'A4', 'E4'], ['Am', 'Am', 'Am', 'Am']),
        keyMap: [{ tick: 0, tonic: { letter: 'A', alter: 0 }, mode: 'minor' }],
      }).includes('accidental');
    const usual = ['B4', 'C4', 'D4', 'F4', 'F#4', 'G4', 'G#5'];
    expect(usual.map((pitch) => [pitch, inMinor(pitch)])).toEqual(usual.map((pitch) => [pitch, false]));
    expect([inMinor('C#4'), inMinor('D#4'), inMinor('Bb3')]).toEqual([true, true, true]);
  });

  it('take a note for a passing one up to half a beat', () => {
    const lasting = (length: number) => kinds(withNote(1, { pitch: parsePitch('Bb4'), length }));
    expect([479, 480].map((length) => lasting(length).includes('accidental'))).toEqual([false, true]);
  });

  it('name notes off the keyboard, and one press plays the part an octave nearer', () => {
    const low = withNote(0, { pitch: parsePitch('C2') });
    const small = { ...DEFAULT_PROFILE, keyboard: 49 as const };
    const lower = { ...withNote(0, { pitch: parsePitch('A1') }), changes: [] };
    expect(arrange(low, small).findings.map((f) => f.kind)).not.toContain('keyboard');
    const finding = arrange(lower, small).findings.find((f) => f.kind === 'keyboard');
    expect(finding?.remedies[0].offer).toEqual(offers.partOctave(1));
    const mended = applyEdit(lower, finding?.remedies?.[0].edit ?? { kind: 'repeats-cleared' });
    expect(arrange(mended, small).findings.map((f) => f.kind)).not.toContain('keyboard');
  });

  it('name words without notes and notes without words', () => {
    const typed = applyEdit(song, { kind: 'words-typed', fromId: 'n0', toId: 'n0', text: 'one two' });
    expect(kinds(typed).filter((k) => k === 'words')).toHaveLength(2);
    const left = arrange(typed, DEFAULT_PROFILE).findings.find(
      (f) => f.kind === 'words' && f.remedies?.length,
    );
    expect(textOf(left)).toContain('“two” has none');
    expect(left?.tick).toBe(song.melody.at(-1)?.tick);
    expect(mend(typed).spareWords).toBe('');
  });

  it('once left as they are stay away', () => {
    const slip = withNote(1, { pitch: parsePitch('Bb4') });
    const [finding] = arrange(slip, DEFAULT_PROFILE).findings.filter((f) => f.kind === 'accidental');
    expect(kinds(applyEdit(slip, { kind: 'dismissed', id: findingId(finding) }))).not.toContain('accidental');
    // Its id says where and what it is, not how it is worded; one left by an older version stays left.
    expect(findingId(finding)).toBe(`accidental@${finding.tick}`);
    const before = `accidental@${finding.tick}:As it was worded then`;
    expect(kinds(applyEdit(slip, { kind: 'dismissed', id: before }))).not.toContain('accidental');
  });
});
