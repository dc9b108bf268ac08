import { bassOf, chroma, membersOf } from '../music';
import { leastPath } from '../paths';
import type { VoicedChange } from '../voicing';

/** One note of a descending line: a chord in one bar of it. */
export interface LinePlace {
  readonly voiced: VoicedChange;
  readonly tick: number;
}

/** E2: lower, a single line growls. */
const LOW = 40;
/** Where the line likes to begin: high enough to have somewhere to fall. */
const BEGINS = 50;

/** What going on costs, by half steps: a step down is what the line is for. */
function stepCost(by: number): number {
  if (by === -1 || by === -2) return 0;
  if (by === 0) return 3;
  if (by < 0) return 2 + -by;
  // Once it has fallen as far as it can it begins again near an octave up.
  return by >= 9 ? 9 : 6 + by;
}

/** What a chord member costs as the bass: its root is the plainest. */
const MEMBER_COST: Record<number, number> = { 1: 0, 3: 1, 5: 2, 6: 3, 7: 2 };

/**
 * The bass of each place of a descending line: one chord member each, falling by step where the chords allow, over
 * all places together. It begins and ends on a root; a written bass is kept. `lowest`: of the keyboard; `highest`: what is
 * above must be left to the right hand. `C G/B Am → C3 B2 A2`. Source: common practice of the stepwise falling bass.
 */
export function descendingLine(places: readonly LinePlace[], lowest: number, highest: number): number[] {
  const options = places.map(({ voiced }, i) =>
    optionsOf(voiced, { lowest, highest }, i === 0 || i === places.length - 1),
  );
  const own = options.map((list) => list.map(({ cost }) => cost));
  const { chosen } = leastPath(own, (i, a, b) => stepCost(options[i][b].key - options[i - 1][a].key));
  return chosen.map((at, i) => options[i][at].key);
}

/** The keys a place may have, lowest first, each with what it costs by itself. */
export function optionsOf(
  { chord }: VoicedChange,
  { lowest, highest }: { readonly lowest: number; readonly highest: number },
  isEnd: boolean,
): { readonly key: number; readonly cost: number }[] {
  const root = chroma(bassOf(chord));
  const members = chord.bass === null ? membersOf(chord) : [];
  const from = Math.max(LOW, lowest);
  const found = Array.from({ length: highest - from + 1 }, (_, i) => from + i).flatMap((key) => {
    if (key % 12 === root) return [{ key, cost: Math.abs(key - BEGINS) / 8 }];
    const member = members.find((m) => m.chroma === key % 12);
    const cost = member && MEMBER_COST[member.number];
    return cost === undefined || isEnd ? [] : [{ key, cost: cost + Math.abs(key - BEGINS) / 8 }];
  });
  return found.length > 0 ? found : [{ key: from + ((root - (from % 12) + 12) % 12), cost: 0 }];
}
