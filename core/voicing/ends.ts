import { bassOf, type Chord, chroma } from '../music';
import { gotOrMade } from '../memory';
import { isUnderMelody, type SolvedLayout } from './members';
import type { FixedBy } from './task';
import type { Voicing } from './voicing';

/** What is asked of a chord that may stand at an end. */
interface ChordToLay {
  readonly chord: Chord;
  readonly layout: SolvedLayout;
  readonly fixedBy: FixedBy | null;
  readonly options: { readonly candidates: readonly Voicing[] };
}

/** Keys that are held whatever stands at the ends: those of a pin and of a settled part. */
const HELD: readonly (string | null)[] = ['pin', 'settled'];
/** Partials lie in one frame with the rest, rootless chords have no root; the right hand's chords are not the bass. */
const WITHOUT_BASS: readonly string[] = ['partial', 'rootless', 'singing'];

/**
 * What the first and the last chord of a song may be: the last has its root (or slash bass) lowest, the first is no
 * second inversion. Constraints, not wishes: the whole line is solved with them. What is pinned, settled or in a layout
 * without a bass is free, and so is a chord that could lie in no other way. Source: a six-four chord neither opens nor
 * closes a piece.
 */
export function atTheEnds(spot: ChordToLay, isFirst: boolean, isLast: boolean): readonly Voicing[] {
  const { candidates } = spot.options;
  if (!isFirst && !isLast) return candidates;
  if (HELD.includes(spot.fixedBy) || WITHOUT_BASS.includes(spot.layout) || isUnderMelody(spot.layout))
    return candidates;
  const bass = chroma(bassOf(spot.chord));
  const kept = isLast
    ? only(candidates, `bass ${bass}`, ({ keys }) => keys[0] % 12 === bass)
    : only(candidates, 'opening', ({ inversion }) => inversion !== 2);
  return kept.length > 0 ? kept : candidates;
}

/** Candidates kept for a reason, the same list once: the solver remembers step costs by list. */
function only(
  candidates: readonly Voicing[],
  why: string,
  keeps: (voicing: Voicing) => boolean,
): readonly Voicing[] {
  const own = gotOrMade(kept, candidates, () => new Map<string, readonly Voicing[]>());
  return gotOrMade(own, why, () => {
    const some = candidates.filter(keeps);
    return some.length === candidates.length ? candidates : some;
  });
}

const kept = new WeakMap<readonly Voicing[], Map<string, readonly Voicing[]>>();
