import { because } from '../sentences';
import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { parsePitch, type Pitch, midiOf } from '../music';
import type { VoicedChange } from '../voicing';
import { withKeptFills, withLeftFills, withRightFills } from './applying';
import type { Proposal } from './proposal';

const pitch = (name: string): Pitch => parsePitch(name) as Pitch;

function key(name: string, tick: number, length: number, own: Partial<HandNote> = {}): HandNote {
  return {
    hand: 'left',
    tick,
    length,
    midi: midiOf(pitch(name)),
    pitch: pitch(name),
    source: 'pattern',
    from: 'c1',
    lyric: null,
    grace: false,
    finger: null,
    ...own,
  };
}

function proposal(own: Partial<Proposal> & { readonly notes: Proposal['notes'] }): Proposal {
  const from = { change: { id: 'c1', tick: 0 } } as VoicedChange;
  return {
    id: 'walk:c1',
    kind: 'walk',
    variant: '',
    place: { tick: 1920, endTick: 3840, from, into: null },
    hand: 'left',
    goal: null,
    rank: 0,
    skill: 1,
    reason: because.graced(),
    ...own,
  };
}

const told = (notes: readonly HandNote[]): string[] =>
  notes.map(({ midi, tick, length, source }) => `${midi} ${tick}+${length} ${source}`);

describe('a fill of the left hand', () => {
  const walk = proposal({
    notes: [
      { tick: 1920, length: 960, pitch: pitch('B2') },
      { tick: 2880, length: 960, pitch: pitch('A2') },
    ],
    goal: pitch('G2'),
  });

  it('cuts what sounds when it begins, and takes the place of what is struck in it; other chords ring on', () => {
    const left = [
      key('C3', 0, 1920),
      key('E3', 960, 1440),
      key('G3', 1920, 960),
      key('E3', 2880, 960),
      key('F3', 2400, 960, { from: 'c2' }),
      key('G2', 3840, 960, { from: 'c2' }),
    ];
    expect(told(withLeftFills(left, [walk], []))).toEqual([
      '48 0+1920 pattern',
      '52 960+960 pattern',
      '47 1920+960 fill',
      '53 2400+960 pattern',
      '45 2880+960 fill',
      '43 3840+960 pattern',
    ]);
  });

  it('is followed by the key it leads to, where that is struck alone', () => {
    const alone = [key('C3', 3840, 960), key('E3', 4800, 960)];
    expect(told(withLeftFills(alone, [], [walk]))).toEqual(['43 3840+960 pattern', '52 4800+960 pattern']);
    const together = [key('C3', 3840, 960), key('E3', 3840, 960)];
    expect(told(withLeftFills(together, [], [walk]))).toEqual(['48 3840+960 pattern', '52 3840+960 pattern']);
    const leadingNowhere = { ...walk, goal: null };
    expect(withLeftFills(alone, [], [leadingNowhere])).toEqual(alone);
  });

  it('leaves the hand as it is where there is none', () => {
    const left = [key('C3', 0, 960)];
    expect(withLeftFills(left, [{ ...walk, hand: 'right' }], [])).toBe(left);
  });
});

describe('a fill of the right hand', () => {
  const tune = key('C5', 0, 3840, { hand: 'right', source: 'melody' });
  const echo = proposal({
    id: 'echo@1920:c1',
    kind: 'echo',
    hand: 'right',
    notes: [{ tick: 1920, length: 960, pitch: pitch('E5') }],
    letGoAt: 1920,
  });

  it('lets go of what is held, and only of that', () => {
    const before = key('G4', 0, 1920, { hand: 'right', source: 'melody' });
    const at = key('A4', 1920, 960, { hand: 'right', source: 'melody' });
    expect(told(withRightFills([tune, before, at], [echo]))).toEqual([
      '67 0+1920 melody',
      '72 0+1920 melody',
      '69 1920+960 melody',
      '76 1920+960 fill',
    ]);
    const held = { ...echo, letGoAt: undefined };
    expect(told(withRightFills([tune], [held]))).toEqual(['72 0+3840 melody', '76 1920+960 fill']);
  });

  it('takes the place of keys beside the tune from its first tick to its last, where it says so', () => {
    const beside = [0, 1920, 3839, 3840].map((tick) =>
      key('E4', tick, 240, { hand: 'right', source: 'harmony' }),
    );
    expect(told(withRightFills(beside, [{ ...echo, replacesHarmony: true }]))).toEqual([
      '64 0+240 harmony',
      '76 1920+960 fill',
      '64 3840+240 harmony',
    ]);
    expect(withRightFills(beside, [echo])).toHaveLength(5);
    expect(withRightFills(beside, [{ ...echo, hand: 'left' }])).toBe(beside);
  });
});

describe('the kept keys of a settled part', () => {
  const tune = [key('C5', 0, 3840, { hand: 'right', source: 'melody', from: 'n1' })];
  const onsets = new Map([
    ['c1', 0],
    ['c2', 1920],
  ]);
  const kept = [
    key('C5', 1920, 480, { hand: 'right', source: 'melody' }),
    key('E5', 480, 480, { hand: 'right', source: 'fill' }),
    key('E5', 1440, 480, { hand: 'right', source: 'fill', from: 'c2' }),
    key('G5', 2400, 480, { hand: 'right', source: 'fill' }),
    key('A5', 2880, 480, { hand: 'right', source: 'fill' }),
  ];
  const lengths = (...ids: string[]): number[] =>
    withKeptFills(tune, kept, ids, onsets).map(({ length }) => length);

  it('let the tune go at the first key of a fill at its place or later, over its own chord', () => {
    expect(lengths('echo@1920:c1')).toEqual([2400]);
    expect(lengths('echo@480:c1')).toEqual([480]);
    expect(lengths('echo@481:c1')).toEqual([2400]);
    expect(lengths('turn@0:c1')).toEqual([480]);
  });

  it('leave the tune as it is where no fill lets it go', () => {
    expect(withKeptFills(tune, kept, ['inner@1920:c1', 'walk:c1'], onsets)).toBe(tune);
    // Over a chord that is gone, after the last key, and of a kind not known here.
    expect(withKeptFills(tune, kept, ['echo@0:c9', 'echo@2881:c1', 'ripple@0:c1'], onsets)).toBe(tune);
  });
});
