import { type HandNote, inTime } from '../hands';
import { staffStep } from '../music';
import { contentsOf, movedInWords, type Part, relate, type Related, type Struck } from '../parts';
import type { PlayedSong } from '../song';

/** How each hand of each part relates to that hand in earlier parts, by index of the part. */
export interface HandRelations {
  readonly right: readonly Related[];
  readonly left: readonly Related[];
}

export const NO_RELATIONS: HandRelations = { right: [], left: [] };

/** Compares each hand of each part with the parts before, key by key as struck. */
export function relateHands(
  played: PlayedSong,
  parts: readonly Part[],
  { right, left }: { readonly right: readonly HandNote[]; readonly left: readonly HandNote[] },
): HandRelations {
  const starts = parts.map((part) => part.fromTick);
  const hand = (notes: readonly HandNote[]): Related[] =>
    relate(contentsOf(played, starts, struck(notes), []));
  return { right: hand(right), left: hand(left) };
}

function struck(notes: readonly HandNote[]): Struck[] {
  return inTime(notes.filter((note) => !note.grace)).map(({ tick, length, midi, pitch }) => ({
    tick,
    length,
    midi,
    step: staffStep(pitch),
  }));
}

/**
 * What the two hands of a part repeat, each on its own, in one line; empty when both are new or both come back
 * together. "The right hand of part 1 over a new left hand."
 */
export function handsInWords({ right, left }: HandRelations, index: number): string {
  const [r, l] = [right[index], left[index]];
  if (!r || !l) return '';
  const [rightBack, leftBack] = [comesBack(r), comesBack(l)];
  if (rightBack === null && leftBack === null) return '';
  if (rightBack !== null && leftBack !== null) {
    if (r.relation === l.relation && r.to === l.to) return '';
    return `Right hand: ${rightBack}. Left hand: ${leftBack}.`;
  }
  return rightBack !== null
    ? `Right hand: ${rightBack}, over a new left hand.`
    : `Left hand: ${leftBack}, under a new right hand.`;
}

function comesBack({ relation, to, moved }: Related): string | null {
  if (to === null) return null;
  if (relation === 'same') return `the same as in part ${to + 1}`;
  if (relation === 'moved' && moved) return `part ${to + 1}, ${movedInWords(moved)}`;
  return relation === 'ending' ? `begins like part ${to + 1}` : null;
}
