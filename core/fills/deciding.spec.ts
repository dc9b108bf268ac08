import { because } from '../sentences';
import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE, type PlayedBar, type Profile } from '../song';
import type { VoicedChange } from '../voicing';
import { type FillDecisions, NO_FILL_YET, playedOver, rankFor, takenAs } from './deciding';
import type { Proposal } from './proposal';
import type { FillTask } from './task';

const BAR = 3840;
const bars = Array.from(
  { length: 8 },
  (_, i) => ({ number: i + 1, tick: i * BAR, length: BAR }) as PlayedBar,
);
const task = { bars } as unknown as FillTask;

/** A proposal over its own chord, one bar long. */
function proposal(id: string, own: Partial<Proposal> = {}, bar = 1): Proposal {
  const [kind] = id.split(/[@:]/);
  const from = { change: { id: `c${bar}` } } as VoicedChange;
  const tick = (bar - 1) * BAR;
  return {
    id,
    kind,
    variant: '',
    place: { tick, endTick: tick + BAR, from, into: null },
    hand: 'right',
    notes: [],
    goal: null,
    rank: 0,
    skill: 1,
    reason: because.graced(),
    ...own,
  };
}

const decisions = (own: Partial<FillDecisions> = {}): FillDecisions => ({
  measure: 'some',
  seed: 0,
  taken: [],
  declined: [],
  twinOf: () => null,
  ...own,
});
const ids = (
  proposals: readonly Proposal[],
  own: Partial<FillDecisions> = {},
  before = NO_FILL_YET,
): string[] => playedOver(task, proposals, decisions(own), before, []).map(({ id }) => id);

describe('what a fill costs a pianist', () => {
  it('is its rank, and three for each step of skill beyond what is played', () => {
    const of = (skill: 1 | 2 | 3, experience: Profile['experience']): number =>
      rankFor(proposal('run:c1', { rank: 2, skill }), { ...DEFAULT_PROFILE, experience });
    expect(([1, 2, 3] as const).map((skill) => of(skill, 'first-year'))).toEqual([2, 5, 8]);
    expect(([1, 2, 3] as const).map((skill) => of(skill, 'some-years'))).toEqual([2, 2, 5]);
    expect(([1, 2, 3] as const).map((skill) => of(skill, 'fluent'))).toEqual([2, 2, 2]);
  });
});

describe('a fill that was taken', () => {
  const entry = (id: string, variant = '') => ({ id, kind: 'run', variant });
  const twinOf = (id: string): string | null => (id === 'run:c5' ? 'run:c1' : null);

  it('is known by its own id or that of the part it follows, its own first; declined in either it is not', () => {
    expect(takenAs('run:c5', decisions({ taken: [entry('run:c1')], twinOf }))).toEqual(entry('run:c1'));
    const both = [entry('run:c1'), entry('run:c5', 'own')];
    expect(takenAs('run:c5', decisions({ taken: both, twinOf }))).toEqual(entry('run:c5', 'own'));
    expect(takenAs('run:c1', decisions({ taken: [entry('run:c5')], twinOf }))).toBeNull();
    for (const declined of [['run:c1'], ['run:c5']])
      expect(takenAs('run:c5', decisions({ taken: both, declined, twinOf }))).toBeNull();
  });

  it('is played whatever the measure, in the way it was taken, as far as there is room', () => {
    const two = [
      proposal('run:c1', { rank: 30, variant: 'up' }),
      proposal('run:c1', { rank: 31, variant: 'down' }),
      proposal('turn:c1', { rank: 40 }),
      proposal('walk:c1', { rank: 50, hand: 'left' }),
      proposal('echo:c1', { rank: 0 }),
    ];
    const taken = [entry('run:c1', 'down'), entry('turn:c1'), entry('walk:c1')];
    const played = playedOver(task, two, decisions({ measure: 'none', taken }), NO_FILL_YET, []);
    // The turn would sound with the run in the same hand.
    expect(played.map(({ id, variant }) => `${id} ${variant}`)).toEqual(['run:c1 down', 'walk:c1 ']);
    const unknown = decisions({ measure: 'none', taken: [entry('run:c1', 'sideways')] });
    expect(playedOver(task, two, unknown, NO_FILL_YET, []).map(({ variant }) => variant)).toEqual(['up']);
    const sounding = [proposal('echo@0:c1')];
    expect(playedOver(task, two, decisions({ taken: [entry('run:c1')] }), NO_FILL_YET, sounding)).toEqual([]);
  });
});

describe('a fill that is played unasked', () => {
  it('is the best of its chord, one of them, none where none is wanted or it was declined', () => {
    const three = [
      proposal('run:c1', { rank: 3 }),
      proposal('echo:c1', { rank: 2 }),
      proposal('turn:c1', { rank: 9 }),
    ];
    expect(ids(three)).toEqual(['echo:c1']);
    expect(ids(three, { measure: 'none' })).toEqual([]);
    expect(ids(three, { declined: ['echo:c1'] })).toEqual(['run:c1']);
    expect(
      ids(three, { declined: ['echo:c5'], twinOf: (id) => (id === 'echo:c1' ? 'echo:c5' : null) }),
    ).toEqual(['run:c1']);
  });

  it.each([
    ['few', 6],
    ['some', 6],
    ['many', 7],
  ] as const)('costs, where %s are wanted, %i at most', (measure, most) => {
    expect(ids([proposal('run:c1', { rank: most })], { measure })).toEqual(['run:c1']);
    expect(ids([proposal('run:c1', { rank: most + 1 })], { measure })).toEqual([]);
  });

  it.each([
    ['few', 4],
    ['some', 2],
    ['many', 1],
  ] as const)('stands, where %s are wanted, %i bars or more after the last', (measure, between) => {
    const run = proposal('run:c5', {}, 5);
    const after = (bar: number): string[] => ids([run], { measure }, { ...NO_FILL_YET, lastBar: bar });
    expect(after(5 - between)).toEqual(['run:c5']);
    expect(after(5 - between + 1)).toEqual([]);
  });

  it('is another of what is about as good with another seed, the same each time', () => {
    const alike = ['run', 'echo', 'turn', 'trill'].map((kind) => proposal(`${kind}:c1`, { rank: 2 }));
    const chosen = Array.from({ length: 20 }, (_, seed) => ids(alike, { seed })[0]);
    expect(chosen[0]).toBe('run:c1');
    expect(new Set(chosen).size).toBe(4);
    expect(Array.from({ length: 20 }, (_, seed) => ids(alike, { seed })[0])).toEqual(chosen);
    // Chance adds less than three: what is dearer by three is never taken for it.
    const apart = [proposal('run:c1', { rank: 2 }), proposal('echo:c1', { rank: 5 })];
    for (let seed = 1; seed < 40; seed++) expect(ids(apart, { seed })).toEqual(['run:c1']);
  });
});
