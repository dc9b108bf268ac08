import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { patternProposals } from './proposing';

const FOUR = { numerator: 4, denominator: 4 };
const THREE = { numerator: 3, denominator: 4 };
const weighed = (differs: Partial<Parameters<typeof patternProposals>[0]> = {}) =>
  patternProposals({ metre: FOUR, energy: 3, experience: 'some-years', notesPerBar: 4, own: [], ...differs });
const ids = (...args: Parameters<typeof weighed>): string[] =>
  weighed(...args).map(({ pattern }) => pattern.id);

describe('patterns proposed', () => {
  it('come by energy and by what the pianist can do', () => {
    expect(ids({ energy: 3 }).slice(0, 3)).toEqual(['rocking', 'root-and-fifth-walking', 'pulse']);
    expect(ids({ energy: 2, experience: 'first-year' }).slice(0, 3)).toEqual([
      'pulse',
      'fifths',
      'after-beat',
    ]);
    expect(ids({ energy: 4, experience: 'fluent' }).slice(0, 3)).toEqual([
      'stride',
      'octave-bounce',
      'rolling-tenth',
    ]);
    expect(ids({ energy: 1 })[0]).toBe('open-tenth');
    expect(ids({ metre: THREE, energy: 3, experience: 'fluent' }).slice(0, 2)).toEqual([
      'waltz',
      'crossing-six',
    ]);
  });

  it('are all that are made for the metre but the block, each once', () => {
    const three = ids({ metre: THREE });
    expect([...three].sort()).toEqual([
      'after-beat',
      'crossing-six',
      'descending-line',
      'fifths',
      'open-tenth',
      'pulse',
      'rising',
      'waltz',
      'waltz-in-place',
    ]);
    expect(ids({ metre: { numerator: 5, denominator: 4 } })).toEqual([
      'low-in-groups',
      'pulse',
      'fifths',
      'rising',
      'descending-line',
      'open-tenth',
    ]);
  });

  it('put the richest first under a calm tune and back under a busy one', () => {
    const at = (notesPerBar: number): number =>
      ids({ energy: 4, experience: 'fluent', notesPerBar }).indexOf('rolling-tenth');
    expect(at(3.5)).toBeLessThan(at(3.6));
    expect(at(6)).toBeGreaterThan(at(5.9));
  });

  it('say why', () => {
    const reasons = Object.fromEntries(
      weighed({ energy: 3 }).map(({ pattern, reasons }) => [pattern.id, reasons.map(inWords).join('; ')]),
    );
    expect(reasons.rocking).toBe('as lively as the section; the hand moves');
    expect(reasons.pulse).toBe('calmer than the section; the hand stays in its place');
    expect(reasons.stride).toBe(
      'livelier than the section; for later: it is wider than what you have played so far',
    );
    const fluent = weighed({ experience: 'fluent', notesPerBar: 7 }).find(
      ({ pattern }) => pattern.id === 'stride',
    );
    expect(fluent?.reasons.map(inWords).join('; ')).toBe(
      'livelier than the section; wide and quick under a busy tune',
    );
    const calm = weighed({ experience: 'fluent', notesPerBar: 3 }).find(
      ({ pattern }) => pattern.id === 'stride',
    );
    expect(calm?.reasons.map(inWords).join('; ')).toBe(
      'livelier than the section; wide and quick, and the tune leaves you free for it',
    );
  });

  it('have the pianist’s own among them, before others that fit as well', () => {
    const own = {
      id: 'mine',
      name: 'Mine',
      base: 'root' as const,
      beats: 4,
      events: [{ onset: 0, length: 4, members: [1] }],
    };
    expect(ids({ own: [own] })[0]).toBe('mine');
  });
});
