import { bassOf, chroma, keyName, rememberEach } from '../music';
import { CROWDED, SHORTEST_HOLD, type Sounding } from './bounds';
import { stepCost, voicingCost } from './cost';
import { fixedFindings, oncePerPart, raisedFinding, relaxationFindings } from './findings';
import { isUnderMelody } from './members';
import { prepare, type Prepared } from './prepare';
import { type Solution, solve, type Solved, type Spot } from './solver';
import type { VoicingTask } from './task';
import { type Alternative, spell, stepFrom, type VoicedChange, type VoicedSong } from './voiced';
import type { Voicing } from './voicing';
import type { VoicingWeights } from './weights';

/** What was solved last, from which a song that differs a little is solved on. */
export interface VoicingMemory {
  solved: Solved | null;
}

/**
 * Chooses a voicing for every chord of the song: least movement over the whole sequence. With a memory only what an
 * edit altered is solved again, to the same result.
 */
export function voice(task: VoicingTask, memory: VoicingMemory = { solved: null }): VoicedSong {
  const { spots, prepared, raised, melodyWith } = prepare(task);
  const solution = (memory.solved = solve(spots, task.weights, memory.solved));
  let before: Voicing | null = null;
  const voiced = prepared.map((spot, i) => {
    const best = spots[i].candidates[solution.chosen[i]];
    const isLast = i === prepared.length - 1;
    const ending = isLast ? endingOf(spot, best, spots[i], before, task.weights) : null;
    const isEnding = ending !== null;
    const chosen = ending ?? best;
    const next = isEnding ? null : nextBest(spots[i], solution, i);
    const fixedBy = isEnding ? 'ending' : spot.fixedBy;
    const { change, chord, key, layout, options, closeHands } = spot;
    const melody = closeHands === 'let-go' ? melodyWith(change) : [];
    const [from, told] = [before, [next?.voicing, next?.extra]];
    const what = [
      change,
      chord,
      keyName(key),
      layout,
      options.relaxed,
      options.couldLetGo,
      options.length,
      fixedBy,
      closeHands,
    ];
    before = chosen;
    return voicedMade(
      `${fixedBy}|${change.id}`,
      [...what, ...told, chosen, from, JSON.stringify(melody)],
      () => {
        const result = describe({ ...spot, fixedBy }, chosen, from, next);
        return closeHands === 'let-go' ? letGo(result, melody) : result;
      },
    );
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
  const costs = through(at);
  const before = at > 0 ? spots[at - 1].candidates[chosen[at - 1]] : null;
  const { chord, key } = prepared[at];
  return spots[at].candidates
    .map((voicing, c) => ({
      voicing,
      pitches: spell(voicing.keys, chord, key),
      extra: costs[c] - cost,
      step: before ? stepFrom(before, voicing) : null,
    }))
    .sort((a, b) => a.extra - b.extra || a.voicing.keys[0] - b.voicing.keys[0]);
}

/**
 * The voicing on its root with which a song ends, the nearest to the chord before, whatever the part it returns to does;
 * null where the last chord lies so already, is fixed or cannot lie so. It is chosen after the line, so that the line does not lean towards it. Source: a six-four chord does
 * not close a piece.
 */
function endingOf(
  { chord, layout, fixedBy, unshared }: Prepared,
  best: Voicing,
  { place }: Spot,
  before: Voicing | null,
  weights: VoicingWeights,
): Voicing | null {
  // Partials lie in one frame with the rest; the right hand's chords have no bass.
  const isHeld = fixedBy === 'pin' || fixedBy === 'settled';
  if (isHeld || layout === 'singing' || layout === 'partial' || isUnderMelody(layout)) return null;
  const bass = chroma(bassOf(chord));
  if (best.keys[0] % 12 === bass) return null;
  const cost = (voicing: Voicing): number =>
    voicingCost(voicing, place, weights) + (before ? stepCost(before, voicing, weights) : 0);
  return unshared
    .filter(({ keys }) => keys[0] % 12 === bass)
    .reduce<Voicing | null>((best, own) => (best && cost(best) <= cost(own) ? best : own), null);
}

/** A change voiced as before, after the same chord, is the same object. */
const voicedMade = rememberEach<VoicedChange>();

function nextBest(spot: Spot, solution: Solution, i: number): VoicedChange['nextBest'] {
  let best = -1;
  const costs = solution.through(i);
  costs.forEach((cost, c) => {
    if (c !== solution.chosen[i] && (best < 0 || cost < costs[best])) best = c;
  });
  return best < 0 ? null : { voicing: spot.candidates[best], extra: costs[best] - solution.cost };
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
