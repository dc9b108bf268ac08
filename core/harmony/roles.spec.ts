import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { type Chord, parseChord, symbolOf, keyFromFifths, midiOf, parsePitch } from '../music';
import { unfold } from '../song';
import { wholeBars } from '../testing';
import { inWords, functionInWords } from '../sentences';
import { degreeOf } from './degree';
import { diatonicChords } from './diatonic';
import { byHalfStep, chordsHolding, neighboursOf, onLadder, otherQualities } from './neighbours';
import { roleOf, roleSays } from './roles';
import { heardRubs, notesUnder } from './underChords';

const chord = (symbol: string): Chord => parseChord(symbol) as Chord;
const role = (note: string, symbol: string) => roleOf(midiOf(parsePitch(`${note}4`)), chord(symbol));
const said = (...args: Parameters<typeof roleSays>): string => inWords(roleSays(...args));
const C = keyFromFifths(0, 'major');
const Am = keyFromFifths(0, 'minor');

describe('the role of a note over a chord', () => {
  it.each([
    ['E', 'C', 'member', 3],
    ['B', 'Cmaj7', 'member', 7],
    ['D', 'Cmaj7', 'tension', '9'],
    ['F', 'Dm7', 'member', 3],
    ['G', 'Dm7', 'tension', '11'],
    ['F#', 'Cmaj7', 'tension', '♯11'],
    ['F#', 'C7', 'tension', '♯11'],
    ['A', 'C7', 'tension', '13'],
    ['Db', 'C7', 'tension', '♭9'],
    ['D#', 'C7', 'tension', '♯9'],
    ['Ab', 'C7', 'tension', '♭13'],
    ['F', 'C', 'rub', 'eleventh-on-major-third'],
    ['B', 'C7', 'rub', 'major-seventh-on-minor'],
    ['C', 'Cmaj7', 'rub', 'root-on-major-seventh'],
    ['E', 'Cm7', 'rub', 'major-third-on-minor'],
    ['Eb', 'C', 'rub', 'minor-third-on-major'],
    ['Ab', 'C', 'rub', 'half-step-above'],
    ['F', 'C7sus4', 'member', 4],
  ])('%s over %s: %s, %s', (note, symbol, kind, what) => {
    const found = role(note, symbol);
    const told =
      found.kind === 'rub'
        ? found.rub
        : found.kind === 'member'
          ? found.member
          : found.kind === 'tension' && found.tension;
    expect([found.kind, told]).toEqual([kind, what]);
  });

  it('is the same in every key', () => {
    for (const [note, symbol] of [
      ['F', 'C'],
      ['D', 'Cmaj7'],
      ['Ab', 'C7'],
      ['E', 'Cm7'],
    ] as const)
      for (let up = 1; up < 12; up++) {
        const key = keyFromFifths(((up * 7 + 6) % 12) - 6, 'major');
        const moved = { ...chord(symbol), root: key.tonic };
        const semitones = (midiOf({ ...key.tonic, octave: 4 }) - 60 + 12) % 12;
        expect(roleOf(midiOf(parsePitch(`${note}4`)) + semitones, moved).kind).toBe(role(note, symbol).kind);
      }
  });

  it('is told in words, not in colour alone', () => {
    expect(said(role('E', 'C'), 'E', 'C')).toBe('E, the third of C');
    expect(said(role('F', 'C'), 'F', 'C')).toBe('F clashes with C: the 11 over a major third');
    expect(said(role('D', 'Cmaj7'), 'D', 'Cmaj7')).toBe('D, the 9 over Cmaj7');
  });
});

describe('rubs that are heard', () => {
  it('are long or stressed, never short notes by step', () => {
    const long = unfold(wholeBars(['F5'], ['C']));
    expect(heardRubs(notesUnder(long))).toHaveLength(1);
    const base = wholeBars(['E5'], ['C']);
    const [note] = base.melody;
    const passing = ['E5', 'F5', 'G5', 'E5'].map((name, i) => ({
      ...note,
      id: `n${i}`,
      tick: [0, 960, 1440, 1920][i],
      length: [960, 480, 480, 1920][i],
      pitch: parsePitch(name),
    }));
    expect(heardRubs(notesUnder(unfold({ ...base, melody: passing })))).toHaveLength(0);
  });

  it('are looked for in each note under each chord it sounds with; a grace note under the chord it is struck with alone', () => {
    const song = unfold(wholeBars(['E5', 'D5', 'C5'], ['C', 'G', 'C']));
    const [first, second, third] = song.melody;
    const grace = { ...second, id: 'g', tick: second.tick, length: 0, grace: true };
    // The first note rings on for a beat into the second chord.
    const melody = [{ ...first, length: first.length + 960 }, grace, second, third];
    const under = notesUnder({ ...song, melody });
    expect(
      under.map(({ note, change, tick, ticks }) => [note.id, change.id, tick / 960, ticks / 960]),
    ).toEqual([
      [first.id, 'c0', 0, 4],
      [first.id, 'c1', 4, 1],
      ['g', 'c1', 4, 0],
      [second.id, 'c1', 4, 4],
      [third.id, 'c2', 8, 4],
    ]);
    expect(under.map(({ weight }) => weight > 0)).toEqual([true, true, false, true, true]);
  });

  it('are none in the demo songs', () => {
    for (const song of DEMO_SONGS) expect(heardRubs(notesUnder(unfold(song)))).toHaveLength(0);
  });
});

describe('the role of a chord', () => {
  it('tells a secondary dominant as a teacher says it', () => {
    expect(functionInWords(degreeOf(chord('A7'), chord('Dm'), C).chordFunction)).toBe(
      'vi made dominant, leading to ii',
    );
    expect(functionInWords(degreeOf(chord('D7'), chord('G7'), C).chordFunction)).toBe(
      'ii made dominant, leading to V',
    );
  });

  it('tells ii and V of a degree together, both of them', () => {
    const [ii, five, four] = ['Gm7', 'C7', 'Fmaj7'].map(chord);
    expect(degreeOf(ii, five, C, { afterNext: four }).chordFunction).toEqual({ kind: 'pair', goal: 'IV' });
    expect(degreeOf(five, four, C, { before: ii }).chordFunction).toEqual({ kind: 'pair', goal: 'IV' });
    // Each of the three must be as it is said: a minor ii a fourth below, a seventh, and what follows its goal.
    const pair = (a: string, b: string, c: string): boolean =>
      degreeOf(chord(a), chord(b), C, { afterNext: chord(c) }).chordFunction.kind === 'pair';
    expect(pair('Gm7b5', 'C7', 'F')).toBe(true);
    expect([pair('Am7', 'C7', 'F'), pair('Dm7', 'C7', 'F'), pair('G7', 'C7', 'F')]).toEqual([
      false,
      false,
      false,
    ]);
    expect([pair('Gm7', 'C', 'F'), pair('Gm7', 'C7', 'Am'), pair('Bbm7', 'Eb7', 'Ab')]).toEqual([
      false,
      false,
      false,
    ]);
    // The key's own ii–V–I needs no such name.
    expect(degreeOf(chord('Dm7'), chord('G7'), C, { afterNext: chord('C') }).chordFunction).toEqual({
      kind: 'of-the-degree',
      degree: 'prepares-the-dominant',
    });
  });
});

describe('chords beside a chord', () => {
  it('climb and descend the ladder of sevenths one change at a time', () => {
    const down = ['Cmaj7', 'C7', 'Cm7', 'Cm7b5', 'Cdim7'];
    for (let i = 0; i < 4; i++) {
      expect(symbolOf(onLadder(chord(down[i]), 1))).toBe(down[i + 1]);
      expect(symbolOf(onLadder(chord(down[i + 1]), -1))).toBe(down[i]);
    }
    expect(onLadder(chord('Cdim7'), 1)).toBeNull();
    expect(symbolOf(onLadder(chord('C'), 1))).toBe('Cmaj7');
    expect(onLadder(chord('C13'), 1)).toBeNull();
  });

  it('move by a half step, bass and all, spelled in the key', () => {
    expect(symbolOf(byHalfStep(chord('C/E'), 1, C))).toBe('Db/F');
    expect(symbolOf(byHalfStep(chord('Dm7'), -1, C))).toBe('C#m7');
  });

  it('stand in for one another', () => {
    const says = (symbol: string, next: string | null) =>
      neighboursOf(chord(symbol), next ? chord(next) : null, C).map((n) => `${n.symbol}: ${inWords(n.why)}`);
    expect(says('F', 'G7')).toContain('Dm7: ii for IV');
    expect(says('G7', 'C')).toEqual(
      expect.arrayContaining(['G7sus4: V suspended', 'Db7: tritone substitute: the same third and seventh']),
    );
    expect(says('Em', 'F')).toEqual(
      expect.arrayContaining(['C/E: I with its third in the bass for iii', 'C7: V of F']),
    );
    expect(says('C', 'Dm')).toEqual(
      expect.arrayContaining([
        'A7: V of Dm',
        'C#dim7: passing diminished to Dm',
        'Ebm: a half step above Dm',
      ]),
    );
    expect(says('Bdim', 'C')).toContain('G7/B: V with its third in the bass for vii');
  });

  it('hold a note on every root, those of the key first', () => {
    const holding = chordsHolding(64, C);
    expect(holding[0]).toMatchObject({ symbol: 'C', outside: 0 });
    expect(new Set(holding.map((h) => h.chord.root.letter + h.chord.root.alter)).size).toBe(12);
    expect(holding.map((h) => h.outside)).toEqual([...holding.map((h) => h.outside)].sort((a, b) => a - b));
    for (const { chord: c } of holding) expect(roleOf(64, c).kind).not.toBe('outside');
    expect(chordsHolding(68, Am)[0].symbol).toBe('E');
  });

  it('hold the leading note of a minor key by chords that name it so, none that only share its key', () => {
    const list = chordsHolding(68, Am).map(({ symbol, outside }) => `${symbol} ${outside}`);
    expect(list.slice(0, 7)).toEqual(['E 0', 'E7 0', 'G#dim7 0', 'E7b9 0', 'Caug 0', 'C#m 1', 'Fm 1']);
    expect(
      chordsHolding(66, C)
        .slice(0, 4)
        .map(({ symbol, outside }) => `${symbol} ${outside}`),
    ).toEqual(['D 1', 'Bm 1', 'D7 1', 'Gmaj7 1']);
  });

  it('change as little as they can to take a note in', () => {
    const good = (candidate: Chord): boolean => roleOf(65, candidate).kind !== 'rub';
    expect(otherQualities(chord('C'), good).map(symbolOf).slice(0, 4)).toContain('Csus4');
  });

  it('are the seven of a key', () => {
    expect(diatonicChords(C, 'sevenths').map(symbolOf)).toEqual([
      'Cmaj7',
      'Dm7',
      'Em7',
      'Fmaj7',
      'G7',
      'Am7',
      'Bm7b5',
    ]);
    expect(diatonicChords(Am, 'triads').map(symbolOf)).toEqual(['Am', 'Bdim', 'C', 'Dm', 'E', 'F', 'G']);
    const Gb = keyFromFifths(-6, 'major');
    expect(diatonicChords(Gb, 'sevenths')[3].root).toEqual({ letter: 'C', alter: -1 });
  });
});
