import type { Metre } from '../music';
import { because, type Phrase } from '../sentences';
import { type OwnPattern, type Profile, SKILL } from '../song';
import { fitsMetre, patternsOf } from './choosing';
import type { Pattern } from './pattern';
import { BLOCK } from './rows';

/** A pattern for a part, with why it suits. */
interface PatternProposal {
  readonly pattern: Pattern;
  readonly reasons: readonly Phrase[];
}

/** What a pattern is weighed by. */
export interface Weighing {
  readonly metre: Metre;
  /** Of the section, 1 calm … 5 driving. */
  readonly energy: number;
  readonly experience: Profile['experience'];
  /** Notes of the tune in a bar of the part, on average. */
  readonly notesPerBar: number;
  readonly own: readonly OwnPattern[];
}

/** What a step of energy away from the section's counts, and a skill beyond the pianist's. */
const COST = { energy: 2, beyond: 4, busyTune: 3, calmTune: 1, own: -1 } as const;
/** A tune of so few notes in a bar is calm, of so many busy. */
const [CALM, BUSY] = [3.5, 6];

/**
 * The patterns made for a metre, the most fitting first: by the energy of the section, by what the pianist can do, by how
 * much the tune leaves free (a calm one takes the richest). Source: common practice. Equals keep
 * the order of the rows.
 */
export function patternProposals(weighing: Weighing): PatternProposal[] {
  const fitting = patternsOf(weighing.own).filter((row) => row !== BLOCK && fitsMetre(row, weighing.metre));
  return fitting
    .map((pattern) => ({ pattern, cost: costOf(pattern, weighing) }))
    .sort((a, b) => a.cost - b.cost)
    .map(({ pattern }) => ({ pattern, reasons: reasonsFor(pattern, weighing) }));
}

function costOf(pattern: Pattern, { energy, experience, notesPerBar, own }: Weighing): number {
  const skill = skillOf(pattern);
  const beyond = COST.beyond * Math.max(0, skill - SKILL[experience]);
  const isRich = skill > 2;
  const tune =
    isRich && notesPerBar >= BUSY ? COST.busyTune : isRich && notesPerBar <= CALM ? -COST.calmTune : 0;
  const isOwn = own.some(({ id }) => id === pattern.id) ? COST.own : 0;
  return COST.energy * Math.abs(pattern.energy - energy) + beyond + tune + isOwn;
}

/** 1 in place, 2 moving, 3 wide or quick; a pattern of the pianist's own is within reach. */
function skillOf({ skill = 1 }: Pattern): number {
  return skill;
}

function reasonsFor(pattern: Pattern, { energy, experience, notesPerBar }: Weighing): Phrase[] {
  const skill = skillOf(pattern);
  const lively = because.livelyAs(Math.sign(pattern.energy - energy) as -1 | 0 | 1);
  if (skill > SKILL[experience]) return [lively, because.forLater()];
  if (skill > 2) return [lively, notesPerBar >= BUSY ? because.busyTune() : because.richButFree()];
  return [lively, skill === 1 ? because.handStays() : because.handMoves()];
}
