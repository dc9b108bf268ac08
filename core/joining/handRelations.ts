import { type HandNote, inTime } from '../hands';
import { contentsOf, movedInWords, relate, type Related, struckAs } from '../parts';
import type { PlayedSong } from '../song';
import { because, type Phrase } from '../sentences';

/** How a hand of a part relates to that hand in earlier parts; silent where it strikes nothing, and so has nothing to learn. */
export type HandRelated = Omit<Related, 'relation'> & { readonly relation: Related['relation'] | 'silent' };

/** How each hand of each part relates to that hand in earlier parts, by index of the part. */
export interface HandRelations {
  readonly right: readonly HandRelated[];
  readonly left: readonly HandRelated[];
}

const NO_CHORDS: PlayedSong['changes'] = [];

export const NO_RELATIONS: HandRelations = { right: [], left: [] };

/** Compares one hand of each part, by where parts begin, with the parts before, key by key as struck. */
export function relateHand(
  played: PlayedSong,
  starts: readonly number[],
  notes: readonly HandNote[],
): HandRelated[] {
  const contents = contentsOf(
    played,
    starts,
    inTime(notes.filter((note) => !note.grace)).map(struckAs),
    NO_CHORDS,
  );
  return relate(contents).map((related, part) =>
    contents[part].notes.length > 0 ? related : { ...related, relation: 'silent' },
  );
}

/**
 * What the two hands of a part repeat, each on its own, in one line; null when both are new, both come back together or
 * one is silent. "The right hand of part 1 over a new left hand."
 */
export function handsComingBack({ right, left }: HandRelations, index: number): Phrase | null {
  const [r, l] = [right[index], left[index]];
  if (!r || !l || r.relation === 'silent' || l.relation === 'silent') return null;
  const [rightBack, leftBack] = [comesBack(r), comesBack(l)];
  if (rightBack === null && leftBack === null) return null;
  if (rightBack !== null && leftBack !== null) {
    if (r.relation === l.relation && r.to === l.to) return null;
    return because.bothBack(rightBack, leftBack);
  }
  return rightBack !== null ? because.rightBack(rightBack) : because.leftBack(leftBack as Phrase);
}

function comesBack({ relation, to, moved }: HandRelated): Phrase | null {
  if (to === null) return null;
  if (relation === 'same') return because.sameAsPart(to + 1);
  if (moved) return because.movedFrom(to + 1, movedInWords(moved));
  return relation === 'ending' ? because.beginsLike(to + 1) : null;
}
