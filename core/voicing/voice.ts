import { keyName } from '../music';
import { Memory } from '../memory';
import { CROWDED, SHORTEST_HOLD, type Sounding } from './bounds';
import { fixedFindings, raisedFinding, relaxationFindings } from './findings';
import { prepare, type Prepared } from './prepare';
import { type Solution, solve, type Solved, type Spot } from './solver';
import type { VoicingTask } from './task';
import { spell, stepFrom, type VoicedChange, type VoicedSong } from './voiced';
import type { Voicing } from './voicing';

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
  // A change voiced as before, after the same chord, is the same object.
  const voicedMade = (task.memory ?? new Memory()).of<VoicedChange>('voiced');
  let before: Voicing | null = null;
  const voiced = prepared.map((spot, i) => {
    const chosen = spots[i].candidates[solution.chosen[i]];
    const next = nextBest(spots[i], solution, i);
    const isHeldToRoot =
      i === prepared.length - 1 && spots[i].candidates.length < spot.options.candidates.length;
    const fixedBy = isHeldToRoot ? 'ending' : spot.fixedBy;
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
    ...voiced.flatMap((v) => [
      ...relaxationFindings(v, task.profile, task.raiseMelodyAt),
      ...fixedFindings(v, task),
    ]),
  ];
  return { voiced, raisedParts, findings, cost: solution.cost };
}

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
