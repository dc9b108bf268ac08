import { halfSteps, memberNumber } from './chordNames';

/** Kinds of MusicXML 4.0 that need no degree, by their members. */
const KINDS: readonly (readonly [kind: string, members: string])[] = [
  ['dominant', '1P 3M 5P 7m'],
  ['major', '1P 3M 5P'],
  ['minor', '1P 3m 5P'],
  ['diminished', '1P 3m 5d'],
  ['augmented', '1P 3M 5A'],
  ['suspended-second', '1P 2M 5P'],
  ['suspended-fourth', '1P 4P 5P'],
  ['major-sixth', '1P 3M 5P 6M'],
  ['minor-sixth', '1P 3m 5P 6M'],
  ['major-seventh', '1P 3M 5P 7M'],
  ['minor-seventh', '1P 3m 5P 7m'],
  ['half-diminished', '1P 3m 5d 7m'],
  ['diminished-seventh', '1P 3m 5d 7d'],
  ['major-minor', '1P 3m 5P 7M'],
  ['dominant-ninth', '1P 3M 5P 7m 9M'],
  ['major-ninth', '1P 3M 5P 7M 9M'],
  ['minor-ninth', '1P 3m 5P 7m 9M'],
];

/** What a degree is without alteration: a major scale with a flat seventh (MusicXML 4.0, degree-alter). */
export const PLAIN_DEGREES: Readonly<Record<number, number>> = {
  1: 0,
  2: 2,
  3: 4,
  4: 5,
  5: 7,
  6: 9,
  7: 10,
  9: 14,
  11: 17,
  13: 21,
};

/** The kind nearest to a chord's members, then its degrees: "alter 5 1", "add 9 -1", "subtract 3". */
export function xmlOf(members: readonly string[]): string[] {
  const ways = KINDS.map(([kind, own]) => [kind, ...degreesFrom(own.split(' '), members)]);
  return ways.reduce((best, way) => (way.length < best.length ? way : best));
}

function degreesFrom(kind: readonly string[], members: readonly string[]): string[] {
  const numbers = [...new Set([...kind, ...members].map(memberNumber))].sort((a, b) => a - b);
  return numbers.flatMap((number) => {
    const [own, wanted] = [kind, members].map((list) => list.filter((m) => memberNumber(m) === number));
    if (own.join() === wanted.join()) return [];
    if (wanted.length === 0) return [`subtract ${number}`];
    const altered = own.length > 0 ? [`alter ${number} ${halfSteps(wanted[0]) - halfSteps(own[0])}`] : [];
    const added = wanted
      .slice(altered.length)
      .map((m) => `add ${number} ${halfSteps(m) - PLAIN_DEGREES[number]}`);
    return own[0] === wanted[0] ? added : [...altered, ...added];
  });
}
