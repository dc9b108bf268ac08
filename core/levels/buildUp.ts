import type { Choices } from '../song';
import { BLOCKS, levelOf, TWO_NOTES } from './levels';

/** A step of the build-up from two notes to the whole chord. */
interface BuildUpStep {
  /** Notes of a seventh chord that are played. */
  readonly notes: number;
  readonly name: string;
  readonly choices: Pick<Choices, 'level' | 'layout'>;
}

/** Outer notes first, inner ones later: two notes, then the third added, then all. */
export const BUILD_UP: readonly BuildUpStep[] = [
  { notes: 2, name: 'Two notes', choices: { level: TWO_NOTES, layout: 'block' } },
  { notes: 3, name: 'Three', choices: { level: BLOCKS, layout: 'three' } },
  { notes: 4, name: 'Whole', choices: { level: BLOCKS, layout: 'block' } },
];

/** The step a part stands on; null where it plays something else. */
export function buildUpAt(choices: Pick<Choices, 'level' | 'layout'>): BuildUpStep | null {
  const { chords, isMoving } = levelOf(choices);
  if (chords === 'two-notes') return BUILD_UP[0];
  if (choices.layout === 'three') return BUILD_UP[1];
  return choices.layout === 'block' && chords === 'chosen' && !isMoving ? BUILD_UP[2] : null;
}

/** The step after the one a part stands on; from the last back to the first. */
export function buildUpAfter(choices: Pick<Choices, 'level' | 'layout'>): BuildUpStep {
  const at = BUILD_UP.findIndex((step) => step === buildUpAt(choices));
  return BUILD_UP[(at + 1) % BUILD_UP.length];
}

/** The level on which a layout is heard: where the part plays less than whole chords, that of blocks. */
export function levelFor(choices: Pick<Choices, 'level'>): number {
  return levelOf(choices).chords === 'chosen' ? choices.level : BLOCKS;
}
