import { type Chord, chroma, type Member, membersOf, typeOfSuffix } from '../music';
import type { Layout } from '../song';

/** What the solver builds: the layouts a pianist chooses, and "bass", the single bass note of the second level. */
export type SolvedLayout = Layout | 'bass';

/** The chord lies in the right hand, under the melody. */
export function isUnderMelody(layout: SolvedLayout): boolean {
  return layout === 'under-melody' || layout === 'under-melody-long';
}

/** Most notes of a layout that takes the chord's notes in close position. */
const MOST_NOTES: Partial<Record<SolvedLayout, number>> = { three: 3, bass: 1 };
const MOST_IN_A_BLOCK = 4;

/** Notes of a chord a layout plays: members above, and a slash bass below where there is one. */
interface LayoutNotes {
  readonly upper: readonly Member[];
  /** The chroma that must lie lowest, or null when any member may. */
  readonly lowest: number | null;
  /** A lowest note that is none of the upper members. */
  readonly foreignBass: number | null;
}

/**
 * Chooses the members a layout plays. Too many for a block: the unaltered fifth goes first, then the
 * root, then tensions that do not name the chord; third (or fourth), seventh, the named tension and an
 * altered fifth stay. An eleventh over a major third is played as 9sus4. Source: common arranging practice.
 */
export function notesForLayout(chord: Chord, layout: SolvedLayout): LayoutNotes {
  const bass = chord.bass ? chroma(chord.bass) : null;
  if (layout === 'bass') return bassAlone(chord);
  const members = playedMembers(chord);
  const foreign = bass !== null && !members.some((m) => m.chroma === bass);
  const lowest = bass ?? (layout === 'root' ? chroma(chord.root) : null);
  const room = (MOST_NOTES[layout] ?? MOST_IN_A_BLOCK) - (foreign ? 1 : 0);
  const upper = leaveOut(members, room, lowest);
  return { upper, lowest, foreignBass: foreign ? bass : null };
}

function bassAlone(chord: Chord): LayoutNotes {
  const root = membersOf(chord)[0];
  const bass = chord.bass ? chroma(chord.bass) : root.chroma;
  const member = membersOf(chord).find((m) => m.chroma === bass);
  return member
    ? { upper: [member], lowest: bass, foreignBass: null }
    : { upper: [], lowest: bass, foreignBass: bass };
}

function playedMembers(chord: Chord): readonly Member[] {
  const nineSus = chord.type.suffix === '11' ? typeOfSuffix('9sus4') : undefined;
  return membersOf(nineSus ? { ...chord, type: nineSus } : chord);
}

/** Members in the order they are given up when a chord is thinned; the named tension is the last member. */
function inOrderOfGivingUp(members: readonly Member[]): Member[] {
  const named = members[members.length - 1];
  const rank = (m: Member): number => {
    if (m.interval === '5P') return 0;
    if (m.number === 1) return 1;
    if (m.number > 8 && m !== named) return 2;
    return m.number === 7 ? 4 : m.number > 8 ? 3 : 5;
  };
  return [...members].sort((a, b) => rank(a) - rank(b));
}

function leaveOut(members: readonly Member[], room: number, lowest: number | null): Member[] {
  const givenUp = inOrderOfGivingUp(members).filter((m) => m.chroma !== lowest);
  const dropped = new Set(givenUp.slice(0, Math.max(0, members.length - room)));
  return members.filter((m) => !dropped.has(m));
}
