import { halfSteps, memberNumber, suffixOf, wordsOf } from './chordNames';
import type { ChordType } from './chordType';
import { xmlOf } from './chordXml';
import { gotOrMade } from '../memory';

/** Members by number: a fifth or ninth may be altered both ways at once. */
type Members = Map<number, string[]>;

/** What a symbol begins with, by how it is written. */
const QUALITIES: readonly (readonly [written: RegExp, quality: Quality])[] = [
  [/^(?:maj(?:or)?|M(?:aj|A|a)?|ma(?!dd)|Δ|\^|j(?=7))/, 'major'],
  [/^(?:m(?:in(?:or)?|i)?(?!aj)|-(?!5(?!\d)))/, 'minor'],
  [/^(?:dim(?:inished)?|°|o(?!mit))/, 'diminished'],
  [/^(?:aug(?:mented)?|\+(?!11|13))/, 'augmented'],
  [/^[øØ]/, 'half-diminished'],
];
type Quality = 'major' | 'minor' | 'diminished' | 'augmented' | 'half-diminished' | 'plain';

/** Natural members over the root; a seventh goes by the quality. */
const NATURAL: Readonly<Record<number, string>> = {
  2: '2M',
  3: '3M',
  4: '4P',
  5: '5P',
  6: '6M',
  9: '9M',
  11: '11P',
  13: '13M',
};
const ALTERED: Readonly<Record<string, string>> = {
  b5: '5d',
  '#5': '5A',
  b9: '9m',
  '#9': '9A',
  '#11': '11A',
  b13: '13m',
  b6: '13m',
};

/**
 * The members of a suffix read piece by piece: quality, extension, then what is suspended, altered, added or left out, in
 * any order, with or without brackets and commas. Undefined where a piece is not known.
 * `membersRead('7(b9,#5)') // => 1P 3M 5A 7m 9m`
 */
export function membersRead(suffix: string): string[] | undefined {
  let rest = suffix;
  const taken = (pattern: RegExp): RegExpExecArray | null => {
    const found = pattern.exec(rest);
    if (found) rest = rest.slice(found[0].length);
    return found;
  };
  const quality: Quality = QUALITIES.find(([written]) => taken(written))?.[1] ?? 'plain';
  const hasMajorSeventh = quality === 'minor' && taken(/^\(?(?:maj|Maj|M|Δ|\^)7?\)?/) !== null;
  const extension =
    taken(/^(?:6\/?9|7\/9|13|11|9|7|6)/)?.[0]
      .replace('7/9', '9')
      .replace('6/9', '69') ?? '';
  const seventh = hasMajorSeventh || (quality === 'major' && /Δ|\^/.test(suffix) && extension === '');
  const members = foundation(quality, extension, seventh ? '7M' : null, hasMajorSeventh);
  while (rest !== '') {
    if (taken(/^[(),\s]+/)) continue;
    if (!modified(members, taken, quality)) return undefined;
  }
  return inOrder([...members.values()].flat());
}

function foundation(
  quality: Quality,
  extension: string,
  given: string | null,
  hasMajorSeventh: boolean,
): Members {
  const members: Members = new Map([[1, ['1P']]]);
  const isMinor = quality === 'minor' || quality === 'diminished' || quality === 'half-diminished';
  members.set(3, [isMinor ? '3m' : '3M']);
  const isFlat = quality === 'diminished' || quality === 'half-diminished';
  members.set(5, [isFlat ? '5d' : quality === 'augmented' ? '5A' : '5P']);
  const size = Number(extension === '69' ? 0 : extension);
  if (extension === '6' || extension === '69') members.set(6, ['6M']);
  if (extension === '69') members.set(9, ['9M']);
  const seventh =
    given ?? (quality === 'major' || hasMajorSeventh ? '7M' : quality === 'diminished' ? '7d' : '7m');
  if (size >= 7 || given !== null || quality === 'half-diminished') members.set(7, [seventh]);
  if (size >= 9) members.set(9, ['9M']);
  if (size === 11) members.set(11, ['11P']);
  if (size === 13) members.set(13, ['13M']);
  return members;
}

type Take = (pattern: RegExp) => RegExpExecArray | null;

/** One more piece of the symbol; false where it is none. */
function modified(members: Members, taken: Take, quality: Quality): boolean {
  if (taken(/^alt/)) {
    members.delete(5);
    members.set(7, ['7m']).set(9, ['9m', '9A']).set(13, ['13m']);
    return true;
  }
  const sus = taken(/^sus(2\/?4|4\/?2|2|4)?/) ?? (quality === 'plain' ? taken(/^4(?!\d)/) : null);
  if (sus) return suspended(members, sus[1] ?? '4');
  const leftOut = taken(/^(?:no|omit)([35])/);
  if (leftOut) return members.delete(Number(leftOut[1]));
  const added = taken(/^add([b#]?)(2|4|6|9|11|13)/);
  if (added) return withAdded(members, added[1], Number(added[2]));
  const major = members.has(7) ? null : taken(/^(?:maj|M|Δ|\^)7/);
  if (major) return members.set(7, ['7M']) !== undefined;
  const altered = taken(/^([b#+-])(13|11|9|5|6)/);
  if (altered)
    return withAltered(members, altered[1] === '-' ? 'b' : altered[1].replace('+', '#'), altered[2]);
  if (taken(/^2(?!\d)/)) return members.set(9, ['9M']) !== undefined;
  // A plus at the end raises the fifth: 7+.
  if (taken(/^\+(?!\d)/)) return members.set(5, ['5A']) !== undefined;
  // A natural tension after the seventh: 7(9), 7 13.
  const tension = members.has(7) ? taken(/^(9|11|13)/) : null;
  return tension !== null && members.set(Number(tension[1]), [NATURAL[Number(tension[1])]]) !== undefined;
}

function suspended(members: Members, which: string): boolean {
  members.delete(3);
  if (which.includes('2')) members.set(2, ['2M']);
  if (which.includes('4')) members.set(4, ['4P']);
  return true;
}

function withAdded(members: Members, sign: string, number: number): boolean {
  const place = { 2: 9, 4: 11 }[number] ?? number;
  const member = sign === '' ? NATURAL[place] : ALTERED[sign + place];
  if (member === undefined) return false;
  members.set(place, [member]);
  return true;
}

function withAltered(members: Members, sign: string, degree: string): boolean {
  const member = ALTERED[sign + degree];
  if (member === undefined) return false;
  const number = degree === '6' ? 13 : Number(degree);
  const natural = NATURAL[number];
  const others = (members.get(number) ?? []).filter((other) => other !== natural && other !== member);
  members.set(number, [...others, member]);
  return true;
}

/** A type from its members in any order; the same one for the same members. Its suffix says all of them. */
export function typeMade(members: readonly string[]): ChordType {
  const sorted = inOrder(members);
  return gotOrMade(made, sorted.join(' '), () => ({
    suffix: suffixOf(sorted),
    members: sorted,
    semitones: sorted.map(halfSteps),
    spellings: [],
    xml: xmlOf(sorted),
    words: wordsOf(sorted),
  }));
}

const made = new Map<string, ChordType>();

/** Members from the root up by number, each once. */
export function inOrder(members: readonly string[]): string[] {
  return [...new Set(members)].sort(
    (a, b) => memberNumber(a) - memberNumber(b) || halfSteps(a) - halfSteps(b),
  );
}
