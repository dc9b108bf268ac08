import { CROWDED, SHORTEST_HOLD, type Sounding } from './bounds';
import { fixedFindings, oncePerPart, raisedFinding, relaxationFindings } from './findings';
import { prepare, type Prepared } from './prepare';
import { type Solution, solve, type Spot } from './solver';
import type { VoicingTask } from './task';
import { type Alternative, spell, stepFrom, type VoicedChange, type VoicedSong } from './voiced';
import type { Voicing } from './voicing';

/** Chooses a voicing for every chord of the song: least movement over the whole sequence. */
export function voice(task: VoicingTask): VoicedSong {
  const { spots, prepared, raised, melodyWith } = prepare(task);
  const solution = solve(spots, task.weights);
  let before: Voicing | null = null;
  const voiced = prepared.map((spot, i) => {
    const chosen = spots[i].candidates[solution.chosen[i]];
    const result = describe(spot, chosen, before, nextBest(spots[i], solution, i));
    before = chosen;
    return result.closeHands === 'let-go' ? letGo(result, melodyWith(result.change)) : result;
  });
  const raisedParts = new Set(raised.keys());
  const findings = [
    ...[...raised.values()].map(raisedFinding),
    ...oncePerPart(
      voiced.flatMap((v) => [...relaxationFindings(v, task.profile), ...fixedFindings(v, task)]),
      task.partOf,
    ),
  ];
  return { voiced, raisedParts, findings, cost: solution.cost };
}

/** Every voicing one change could have, cheapest for the whole song first; its own pin is set aside. */
export function alternativesAt(task: VoicingTask, changeId: string): Alternative[] {
  const fixed = new Map(task.fixed);
  fixed.delete(changeId);
  const freed = { ...task, fixed };
  const { spots, prepared, at: placeOf } = prepare(freed);
  const at = placeOf(changeId);
  if (at < 0) return [];
  const { through, chosen, cost } = solve(spots, task.weights);
  const before = at > 0 ? spots[at - 1].candidates[chosen[at - 1]] : null;
  const { chord, key } = prepared[at];
  return spots[at].candidates
    .map((voicing, c) => ({
      voicing,
      pitches: spell(voicing.keys, chord, key),
      extra: through[at][c] - cost,
      step: before ? stepFrom(before, voicing) : null,
    }))
    .sort((a, b) => a.extra - b.extra || a.voicing.keys[0] - b.voicing.keys[0]);
}

function nextBest(spot: Spot, solution: Solution, i: number): VoicedChange['nextBest'] {
  let best = -1;
  solution.through[i].forEach((cost, c) => {
    if (c !== solution.chosen[i] && (best < 0 || cost < solution.through[i][best])) best = c;
  });
  return best < 0
    ? null
    : { voicing: spot.candidates[best], extra: solution.through[i][best] - solution.cost };
}

function describe(
  spot: Prepared,
  voicing: Voicing,
  before: Voicing | null,
  next: VoicedChange['nextBest'],
): VoicedChange {
  const { change, chord, key, layout, options, fixedBy, closeHands } = spot;
  return {
    change,
    chord,
    key,
    layout,
    voicing,
    pitches: spell(voicing.keys, chord, key),
    fixedBy,
    closeHands,
    relaxed: options.relaxed,
    couldLetGo: options.couldLetGo ?? false,
    length: options.length,
    step: before ? stepFrom(before, voicing) : null,
    nextBest: next,
  };
}

/** The chord held up to the first note struck after it that comes down to its keys. */
function letGo(v: VoicedChange, melody: readonly Sounding[]): VoicedChange {
  const { tick } = v.change;
  const top = v.voicing.keys[v.voicing.keys.length - 1];
  const inTheWay = melody.find((note) => note.tick - tick >= SHORTEST_HOLD && note.midi <= top + CROWDED);
  return inTheWay ? { ...v, length: Math.min(v.length, inTheWay.tick - tick) } : v;
}
