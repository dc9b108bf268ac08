import { describe, expect, it } from 'vitest';
import type { PlayedNote } from '../song';
import { doCapitalsMean, lineReasons } from './lines';

const sung = (text: string | null, syllabic: 'single' | 'begin' | 'middle' | 'end' = 'single'): PlayedNote =>
  ({ lyric: text === null ? null : { text, syllabic } }) as PlayedNote;

const codes = (reasons: ReturnType<typeof lineReasons>) =>
  reasons.map(([points, { code }]) => [points, code]);

describe('what the words say of a line', () => {
  const reasons = (before: string | null, after: string | null, capitals = true) =>
    codes(lineReasons(sung(before), sung(after), capitals));

  it('a full stop, a question, a dash of dots end it; a comma less; nothing else', () => {
    for (const mark of ['.', '!', '?', '…', ';', ':'])
      expect(reasons(`sea${mark}`, 'low')).toEqual([[4, 'lineEnds']]);
    expect(reasons('sea,', 'low')).toEqual([[2, 'comma']]);
    expect(reasons('sea', 'low')).toEqual([]);
    expect(reasons('s,ea', 'low')).toEqual([]);
    expect(reasons(null, null)).toEqual([]);
  });

  it('a capital begins one, and makes a comma the end of the one before', () => {
    expect(reasons('sea', 'Low')).toEqual([[2, 'lineBegins']]);
    expect(reasons('sea,', 'Low')).toEqual([
      [4, 'lineEnds'],
      [2, 'lineBegins'],
    ]);
    expect(reasons('sea,', 'Low', false)).toEqual([[2, 'comma']]);
  });

  it('"I" is no capital of a line, in whatever it is shortened to; a word that begins with it is', () => {
    expect(reasons('sea', 'I')).toEqual([]);
    expect(reasons('sea', "I'll")).toEqual([]);
    expect(reasons('sea', 'I’m')).toEqual([]);
    expect(reasons('sea', 'In')).toEqual([[2, 'lineBegins']]);
  });

  it('a line begins with a word, not in one', () => {
    expect(codes(lineReasons(sung('sea'), sung('Low', 'begin'), true))).toEqual([[2, 'lineBegins']]);
    expect(lineReasons(sung('sea'), sung('Low', 'middle'), true)).toEqual([]);
    expect(lineReasons(sung('sea'), sung('Low', 'end'), true)).toEqual([]);
  });

  it('capitals tell lines where three words of ten at most have one; syllables within words do not count', () => {
    const words = (capitals: number, of: number): PlayedNote[] =>
      Array.from({ length: of }, (_, i) => sung(i < capitals ? 'Sea' : 'low'));
    expect(doCapitalsMean(words(3, 10))).toBe(true);
    expect(doCapitalsMean(words(4, 10))).toBe(false);
    expect(doCapitalsMean([...words(3, 6), ...Array.from({ length: 10 }, () => sung('la', 'end'))])).toBe(
      false,
    );
    expect(doCapitalsMean([])).toBe(true);
  });
});
