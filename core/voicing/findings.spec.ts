import { type Phrase } from '../sentences';
import { offersOf, textOf } from '../testing';
import { describe, expect, it } from 'vitest';
import { type Chord, parseChord } from '../music';
import { DEFAULT_PROFILE, type Remedy, type Profile } from '../song';
import { fixedFindings, raisedFinding, relaxationFindings } from './findings';
import type { VoicingTask } from './task';
import { spell, type VoicedChange } from './voiced';
import { voicingOf } from './voicing';

const C = { tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;
const chord = (symbol: string): Chord => parseChord(symbol) as Chord;

function voiced(
  symbol: string,
  keys: readonly number[],
  more: Partial<VoicedChange> = {},
  missing: string[] = [],
): VoicedChange {
  return {
    change: { id: 'c1·2', writtenId: 'c1', tick: 960, length: 1920, symbol, chord: chord(symbol) },
    chord: chord(symbol),
    key: C,
    layout: 'block',
    voicing: voicingOf(keys, chord(symbol), missing),
    pitches: spell(keys, chord(symbol), C),
    fixedBy: null,
    relaxed: null,
    couldLetGo: false,
    closeHands: null,
    length: 1920,
    step: null,
    nextBest: null,
    ...more,
  } as VoicedChange;
}
const profile = (leftReach: Profile['leftReach'] = 8): Profile => ({ ...DEFAULT_PROFILE, leftReach });
const raise = (_: number, offer: Phrase): Remedy => ({ offer, edit: { kind: 'rename', title: offer.code } });
const found = (v: VoicedChange, hand = profile(), canRaise = true) =>
  relaxationFindings(v, hand, canRaise ? raise : () => null).map((finding) => [
    finding.kind,
    ...offersOf(finding),
  ]);

describe('what had to give way at a chord is told with its remedies', () => {
  it('nothing where nothing had', () => {
    expect(found(voiced('C', [48, 52, 55]))).toEqual([]);
  });

  it('hands that cross: the chord left out, the melody raised where it can be, the root alone; not where that was chosen', () => {
    const crossing = voiced('G7/B', [59, 62, 67], { relaxed: 'crossing' });
    expect(found(crossing)).toEqual([
      ['crossing', 'Leave the chord out', 'Raise the melody an octave', 'Play the root alone'],
    ]);
    expect(found(crossing, profile(), false)[0]).toEqual([
      'crossing',
      'Leave the chord out',
      'Play the root alone',
    ]);
    expect(found({ ...crossing, closeHands: 'cross' })).toEqual([]);
    const [{ remedies, tick }] = relaxationFindings(crossing, profile());
    expect(tick).toBe(960);
    expect(remedies.map(({ edit }) => edit)).toEqual([
      { kind: 'change-left-out', id: 'c1' },
      { kind: 'pin', pin: { changeId: 'c1·2', keys: [59], fingers: null } },
    ]);
    const without = relaxationFindings(voiced('C', [52, 55], { relaxed: 'crossing' }), profile());
    expect(without[0].remedies?.at(-1)?.edit).toMatchObject({ pin: { keys: [52] } });
  });

  it('one let go early: the hands may cross, or the melody goes up; not where that was chosen', () => {
    const early = voiced('C', [48, 52, 55], { relaxed: 'shortened' });
    expect(found(early)).toEqual([['shortened', 'Let the hands cross here', 'Raise the melody an octave']]);
    expect(found({ ...early, closeHands: 'let-go' })).toEqual([]);
    expect(relaxationFindings(early, profile())[0].remedies?.[0].edit).toEqual({
      kind: 'close-hands',
      changeId: 'c1',
      how: 'cross',
    });
  });

  it('one that is thinned, with the keys it has; let go early only where that would help', () => {
    const thin = voiced('C7', [52, 58], { relaxed: 'thinned' }, ['1P', '5P']);
    expect(textOf(relaxationFindings(thin, profile())[0])).toBe(
      'C7 is thinned to E3 B♭3: the whole chord has no room here.',
    );
    expect(found(thin)).toEqual([['thin-chord', 'Let the hands cross here', 'Raise the melody an octave']]);
    expect(found({ ...thin, couldLetGo: true })[0].slice(0, 2)).toEqual([
      'thin-chord',
      'Play it whole and let it go early',
    ]);
  });

  it('one wider than the hand, unless it is pinned, settled or in the right hand', () => {
    const wide = voiced('C', [48, 55, 64]);
    expect(found(wide)).toEqual([['reach', 'Play it as an open fifth', 'Play it as a block']]);
    expect(found(wide, profile(10))).toEqual([]);
    for (const fixedBy of ['pin', 'settled'] as const) expect(found({ ...wide, fixedBy })).toEqual([]);
    expect(found({ ...wide, fixedBy: 'shared' })).toHaveLength(1);
    for (const layout of ['singing', 'under-melody', 'under-melody-long'] as const)
      expect(found({ ...wide, layout })).toEqual([]);
    const [{ remedies, sameAs }] = relaxationFindings(wide, profile());
    expect([sameAs, remedies.map(({ edit }) => edit)]).toEqual([
      'wide',
      [
        { kind: 'layout', changeId: 'c1', layout: 'fifth' },
        { kind: 'layout', changeId: 'c1', layout: 'block' },
      ],
    ]);
  });

  it('one that is muddy: three half steps too low, or any where the pianist fixed it', () => {
    // A major third is clear from B♭2 (46) up, a minor one from C3 (48).
    expect(found(voiced('A', [45, 49]))).toEqual([]);
    expect(found(voiced('Ab', [44, 48]))).toEqual([]);
    expect(found(voiced('G', [43, 47]))).toEqual([
      ['muddy', 'Two notes for this chord', 'Raise the melody an octave and the chord with it'],
    ]);
    expect(found(voiced('A', [45, 49], { fixedBy: 'pin' }))).toEqual([
      ['muddy', 'Two notes for this chord', 'Raise the melody an octave and the chord with it'],
    ]);
    expect(found(voiced('Bb', [46, 50], { fixedBy: 'pin' }))).toEqual([]);
    expect(found(voiced('G', [43, 47], { layout: 'singing' }))).toEqual([]);
    const texts = [voiced('G', [43, 47]), voiced('G', [43, 47], { fixedBy: 'pin' })].map((v) =>
      textOf(relaxationFindings(v, profile())[0]),
    );
    expect(texts.map((text) => text.includes('There is no room higher'))).toEqual([true, false]);
  });

  it('a melody that was raised for one, once: the hands may cross instead', () => {
    const { kind, tick, remedies } = raisedFinding(voiced('C', [48]).change);
    expect([kind, tick, remedies[0].edit]).toEqual([
      'melody-raised',
      960,
      { kind: 'close-hands', changeId: 'c1', how: 'cross' },
    ]);
  });
});

describe('what is kept whatever happens is told where it does not fit', () => {
  const task = (midi: number | null, keyboard: Profile['keyboard'] = 88): VoicingTask =>
    ({
      profile: { ...profile(), keyboard },
      melody: midi === null ? [] : [{ tick: 960, length: 960, midi }],
    }) as unknown as VoicingTask;
  const kept = (v: VoicedChange, of = task(null)) =>
    fixedFindings(v, of).map(({ kind, about, remedies }) => [kind, about, remedies.length]);

  it('wider than the hand, off the keyboard, into the melody', () => {
    const pinned = voiced('C', [48, 55, 64], { fixedBy: 'pin' });
    expect(kept(pinned)).toEqual([['pin', 'reach', 1]]);
    expect(kept({ ...pinned, fixedBy: 'settled' })).toEqual([['settled', 'reach', 0]]);
    expect(kept({ ...pinned, fixedBy: 'shared' })).toEqual([]);
    expect(kept({ ...pinned, fixedBy: null })).toEqual([]);
    const [pin] = fixedFindings(pinned, task(null));
    const { remedies } = pin;
    const text = textOf(pin);
    expect(remedies[0].edit).toEqual({ kind: 'unpin', changeId: 'c1·2' });
    expect(text).toBe('The pinned voicing of C is wider than your left hand; it is kept as it is.');
  });

  it('at the very ends of a keyboard it fits', () => {
    const low = (keys: number[]): VoicedChange => voiced('C', keys, { fixedBy: 'settled' });
    expect(kept(low([36, 43]), task(null, 61))).toEqual([]);
    expect(kept(low([35, 43]), task(null, 61))).toEqual([['settled', 'keyboard', 0]]);
    expect(kept(low([84, 96]), task(null, 61))).toEqual([]);
    expect(kept(low([85, 97]), task(null, 61))).toEqual([['settled', 'keyboard', 0]]);
  });

  it('a settled one that meets the melody; a pinned one, one under the melody, or hands that may cross say nothing', () => {
    const settled = voiced('C', [48, 52, 55], { fixedBy: 'settled' });
    expect(kept(settled, task(56))).toEqual([]);
    expect(kept(settled, task(55))).toEqual([['settled', 'melody', 0]]);
    expect(kept({ ...settled, fixedBy: 'pin' }, task(55))).toEqual([]);
    expect(kept({ ...settled, layout: 'under-melody' }, task(55))).toEqual([]);
    expect(kept({ ...settled, closeHands: 'cross' }, task(55))).toEqual([]);
    const later = { ...task(50), melody: [{ tick: 2880, length: 960, midi: 50 }] };
    expect(kept(settled, later)).toEqual([]);
    const before = { ...task(50), melody: [{ tick: 0, length: 960, midi: 50 }] };
    expect(kept(settled, before)).toEqual([]);
  });
});
