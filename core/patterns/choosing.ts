import { groupsOf, type Metre, metreName } from '../music';
import { gotOrMade } from '../memory';
import { VARY } from '../parts';
import type { OwnPattern } from '../song';
import type { Pattern, PatternEvent, PatternMember } from './pattern';
import { BLOCK, PATTERNS } from './rows';
import { SUNG_FIGURES } from './sung';

/** The pattern the program chooses by metre and energy. */
export const AUTO = 'auto';

/** All patterns of a song: the program's rows, then the pianist's own. */
export function patternsOf(own: readonly OwnPattern[]): readonly Pattern[] {
  return own.length === 0 ? PATTERNS : [...PATTERNS, ...own.map(asPattern)];
}

function asPattern({ id, name, base, metre, beats, events }: OwnPattern): Pattern {
  return {
    id,
    name,
    base,
    metres: metre ? [metre] : [],
    beats,
    holdsUpTo: 0,
    energy: 3,
    events,
    takesSteps: true,
  };
}

/** Whether a pattern is made for a metre. */
export function fitsMetre({ metres }: Pattern, metre: Metre): boolean {
  return metres.length === 0 || metres.includes(metreName(metre));
}

/** What a choice of pattern comes to in a metre. */
interface ChosenPattern {
  readonly pattern: Pattern;
  /** Why another is played: there is none of that id, it does not fit the metre, or it is for both hands of a singer's pianist. */
  readonly refused: 'unknown' | 'metre' | 'singing' | null;
}

/**
 * The pattern played for a choice: the one of that id; for "auto" the moving one made for the metre whose energy is
 * nearest the section's, the first of equals. What is unknown or does not fit is never replaced silently: the block
 * is played, and the choice says why. For "vary" the kindred ones take turns, by the part's turn. `choosePattern('waltz', 4/4, 3) // Block, refused: 'metre'`
 */
export function choosePattern(
  choice: string,
  metre: Metre,
  energy: number,
  own: readonly OwnPattern[] = [],
  turn = 0,
): ChosenPattern {
  const all = patternsOf(own);
  if (choice === VARY || /^vary:\d+$/.test(choice)) {
    const family = kindred(metre, energy);
    return { pattern: inMetre(family[turn % family.length] ?? BLOCK, metre), refused: null };
  }
  if (choice === AUTO) return { pattern: inMetre(proposedFor(metre, energy), metre), refused: null };
  const chosen = all.find((pattern) => pattern.id === choice);
  if (!chosen) {
    const isSung = SUNG_FIGURES.some(({ id }) => id === choice);
    return { pattern: BLOCK, refused: isSung ? 'singing' : 'unknown' };
  }
  return fitsMetre(chosen, metre)
    ? { pattern: inMetre(chosen, metre), refused: null }
    : { pattern: BLOCK, refused: 'metre' };
}

/** A pattern as it goes in a metre. */
function inMetre(pattern: Pattern, metre: Metre): Pattern {
  const { byGroups, otherwise } = pattern;
  if (byGroups)
    return gotOrMade(grouped, groupsOf(metre).join() + metre.denominator, () => ({
      ...pattern,
      events: eventsOf(byGroups, metre),
    }));
  return otherwise?.metres.includes(metreName(metre)) ? (turned.get(pattern) ?? pattern) : pattern;
}

/** The rows that go by groups in the groups they went in; the same object each time. */
const grouped = new Map<string, Pattern>();

/** A bar in its groups, in quarters. */
function eventsOf({ first, later, others }: NonNullable<Pattern['byGroups']>, metre: Metre): PatternEvent[] {
  const length = 4 / metre.denominator;
  const members = groupsOf(metre).flatMap((size, group) => [
    group === 0 ? first : later,
    ...new Array<PatternMember>(size - 1).fill(others),
  ]);
  return members.map((member, i) => ({ onset: i * length, length, members: [member] }));
}

/** The other form of each row that has one; the same object each time. */
const turned = new Map(
  PATTERNS.flatMap((row) =>
    row.otherwise ? [[row, { ...row, ...row.otherwise, metres: row.metres }] as const] : [],
  ),
);

/** Energies so near the section's are of its family. */
const KINDRED_ENERGY = 1;
/** A family stays with what the hand of some years can do. */
const KINDRED_SKILL = 2;

/** Moving rows on the root that are near the energy of a section, the nearest first: they may take turns. */
export function kindred(metre: Metre, energy: number): readonly Pattern[] {
  const off = ({ energy: own }: Pattern): number => Math.abs(own - energy);
  return PATTERNS.filter(
    (row) =>
      row.base === 'root' &&
      !row.isBare &&
      (row.skill ?? 1) <= KINDRED_SKILL &&
      fitsMetre(row, metre) &&
      off(row) <= KINDRED_ENERGY,
  ).sort((a, b) => off(a) - off(b));
}

/** The moving row made for a metre, its bass on the root, whose energy is nearest; the block where there is none. */
function proposedFor(metre: Metre, energy: number): Pattern {
  const fitting = PATTERNS.filter(
    (pattern) =>
      pattern.base === 'root' &&
      !pattern.isByChoice &&
      pattern.metres.length > 0 &&
      fitsMetre(pattern, metre),
  );
  const off = ({ energy: own }: Pattern): number => Math.abs(own - energy);
  return fitting.reduce((best, pattern) => (off(pattern) < off(best) ? pattern : best), fitting[0] ?? BLOCK);
}
