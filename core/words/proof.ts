import type { MovementProof } from '../voicing';

/**
 * What holds the chords above the least movement possible, and what lifts that least: one sentence each, none where
 * there is nothing to say but that it is the least.
 */
export function proofInWords({
  ours,
  least,
  forClarity,
  forSharing,
  byPins,
  byEnds,
}: MovementProof): string[] {
  const above = ours - least;
  const reasons = [
    ...(forClarity > 0 ? [`${forClarity} to sound clear and complete and to spare the hand`] : []),
    ...(forSharing > 0 ? [`${forSharing} so that parts that are the same are learned once`] : []),
  ];
  return [
    above === 0
      ? 'No other way through these chords moves less.'
      : `${halfSteps(above)} above the least: ${reasons.join(', ')}.`,
    ...(byPins > 0 ? [`What you pinned or keep as learned costs ${halfSteps(byPins)}.`] : []),
    ...(byEnds > 0
      ? [`To begin on no second inversion and to end on the root costs ${halfSteps(byEnds)}.`]
      : []),
  ];
}

function halfSteps(count: number): string {
  return `${count} half step${count === 1 ? '' : 's'}`;
}
