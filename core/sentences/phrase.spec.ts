import { describe, expect, it } from 'vitest';
import { DIVISIONS } from './divisions';
import { FINDINGS } from './findings';
import { IMPORTS } from './imports';
import { REASONS } from './reasons';
import { REMEDIES } from './remedies';
import { ROLES } from './roles';
import { fillIds, fillName, fillVariant } from './fillNames';
import { because, imports, inWords, offers, says, saysTheSame, storedPhrase } from './phrase';

describe('a phrase', () => {
  it('is a code with its facts, and put in words when it is shown', () => {
    expect(says.raised('Am')).toEqual({ code: 'raised', facts: ['Am'] });
    expect(inWords(offers.playHere('Pulse'))).toBe('Play Pulse here');
    expect(inWords(offers.anotherChord('C6', offers.anotherQuality()))).toBe('C6: another quality');
    expect(inWords(because.bothBack(because.sameAsPart(1), because.beginsLike(2)))).toBe(
      'Right hand: the same as in part 1. Left hand: begins like part 2.',
    );
  });

  it('has a code no other book has', () => {
    const codes = [FINDINGS, REMEDIES, REASONS, DIVISIONS, ROLES, IMPORTS].flatMap((book) =>
      Object.keys(book),
    );
    expect(new Set(codes).size).toBe(codes.length);
  });

  it('says the same as one with the same code and facts, another way round as well', () => {
    const nested = (why = offers.anotherQuality()) => offers.anotherChord('C6', why);
    expect(saysTheSame(nested(), JSON.parse(JSON.stringify(nested())))).toBe(true);
    expect(saysTheSame(nested(), nested(because.tritone()))).toBe(false);
    expect(saysTheSame(says.raised('Am'), says.shortened('Am'))).toBe(false);
  });

  it('tells lengths of bars in quarter notes', () => {
    const told = (quarters: number): string => inWords(imports.barTooShort('4', quarters));
    expect([1, 2, 0.5, 1 / 3].map(told)).toEqual([
      'Bar 4 does not add up: it is too short by 1 quarter note. A rest fills it.',
      'Bar 4 does not add up: it is too short by 2 quarter notes. A rest fills it.',
      'Bar 4 does not add up: it is too short by 0.50 quarter notes. A rest fills it.',
      'Bar 4 does not add up: it is too short by 0.33 quarter notes. A rest fills it.',
    ]);
  });
});

describe('a stored phrase', () => {
  it('is one of what reading found, with the facts its wording takes', () => {
    expect(storedPhrase('chordsReadOff', [])).toEqual(imports.chordsReadOff());
    expect(storedPhrase('raised', ['Am'])).toBeNull();
    expect(storedPhrase('constructor', [])).toBeNull();
    expect(storedPhrase('groupsLeftOut', [3, '7/8'])).toBeNull();
    expect(storedPhrase('chordKindUnknown', ['x', '1', 4])).toBeNull();
  });
});

describe('names of fills', () => {
  it('are found by their ids, and their ids by what older songs have', () => {
    expect([fillName('walk'), fillVariant('walk', 'half-step-from-below')]).toEqual([
      'bass walk',
      'chromatic from below',
    ]);
    expect(fillIds('bass walk', 'chromatic from below')).toEqual({
      kind: 'walk',
      variant: 'half-step-from-below',
    });
    expect(fillIds('octaves', 'with a chord note inside')).toEqual({ kind: 'octaves', variant: 'framed' });
    expect(fillIds('echo', 'the last 3 notes, an octave up')).toEqual({ kind: 'echo', variant: 'last-3' });
    expect(fillIds('no such', 'way')).toEqual({ kind: 'no such', variant: 'way' });
    expect([fillName('no such'), fillVariant('walk', 'way')]).toEqual(['no such', 'way']);
  });
});
