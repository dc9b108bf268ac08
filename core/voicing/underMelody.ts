import { type Chord, KEYBOARDS, membersOf, reachMm, spanMm } from '../music';
import type { Profile } from '../song';
import { notesForLayout } from './members';
import { type Voicing, voicingOf } from './voicing';

/** Most keys of the right hand, its melody note among them. */
const MOST_KEYS = 4;
/** A member this near below the melody rubs. */
const TOO_NEAR = 1;

/**
 * The chord in the right hand with a melody note on top, close beneath it: with a member of the chord on top its other
 * notes, else those that tell it best. Where the hand does not reach them all, fewer. Never empty: the melody alone.
 * `chordUnder(G7, F5, octave) // => G B D F`
 */
export function chordUnder(chord: Chord, top: number, profile: Profile): Voicing[] {
  const { low } = KEYBOARDS[profile.keyboard];
  const members = notesForLayout({ ...chord, bass: null }, 'block').upper;
  const isMember = membersOf(chord).some((m) => m.chroma === top % 12);
  const others = members.filter((m) => m.chroma !== top % 12);
  const below = others
    .map((member) => ({ member, key: top - ((top - member.chroma + 120) % 12) }))
    .filter(({ key }) => isMember || top - key > TOO_NEAR)
    .sort((a, b) => b.key - a.key);
  const tells = ({ number }: (typeof members)[number]): boolean => [2, 3, 4, 6, 7].includes(number);
  const found: Voicing[] = [];
  for (let size = Math.min(MOST_KEYS - 1, below.length); size >= 0 && found.length === 0; size--) {
    for (const chosen of subsets(below, size)) {
      const keys = [...chosen.map(({ key }) => key), top].sort((a, b) => a - b);
      const isWhole = size === below.length;
      const isTold = chosen.some(({ member }) => tells(member)) || tells(memberOf(members, top));
      if (keys[0] < low || spanMm(keys[0], top) > reachMm(profile.rightReach)) continue;
      if (!isWhole && !isTold && size > 1) continue;
      found.push(voicingOf(keys, { ...chord, bass: null }));
    }
  }
  return found.sort((a, b) => b.keys[0] - a.keys[0]);
}

function memberOf(members: ReturnType<typeof membersOf>, key: number): ReturnType<typeof membersOf>[number] {
  return members.find((m) => m.chroma === key % 12) ?? { ...members[0], number: 0 };
}

function subsets<T>(items: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return items.flatMap((item, i) => subsets(items.slice(i + 1), size - 1).map((rest) => [item, ...rest]));
}
