import { type Chord, spellingInChord } from '../music/chord';
import { type Key, spellInKey } from '../music/key';
import { type Pitch, pitchAt } from '../music/pitch';
import type { Finding } from '../song/finding';
import type { CloseHands } from '../song/schema';
import type { PlayedChange } from '../song/unfold';
import { CROWDED, type Relaxation, SHORTEST_HOLD, type Sounding } from './bounds';
import { fixedFindings, oncePerPart, raisedFinding, relaxationFindings } from './findings';
import type { SolvedLayout } from './members';
import { commonKeys, movesBetween, type VoiceMove } from './movement';
import { type Prepared, prepare } from './prepare';
import { type Solution, type Spot, solve } from './solver';
import type { FixedBy, VoicingTask } from './task';
import type { Voicing } from './voicing';

export interface Step {
  readonly semitones: number;
  readonly kept: number;
  /** Travel of the midpoint of the hand. */
  readonly millimetres: number;
  readonly moves: readonly VoiceMove[];
}

export interface VoicedChange {
  readonly change: PlayedChange;
  readonly chord: Chord;
  readonly key: Key;
  readonly layout: SolvedLayout;
  readonly voicing: Voicing;
  readonly pitches: readonly Pitch[];
  readonly fixedBy: FixedBy | null;
  readonly relaxed: Relaxation | null;
  readonly couldLetGo: boolean;
  readonly closeHands: CloseHands | null;
  /** Ticks the left hand may hold it. */
  readonly length: number;
  readonly step: Step | null;
  /** The best other voicing here and what the whole song would cost more with it, in points. */
  readonly nextBest: { readonly voicing: Voicing; readonly extra: number } | null;
}

export interface VoicedSong {
  readonly voiced: readonly VoicedChange[];
  /** Parts (by index) whose melody is played an octave higher to make room. */
  readonly raisedParts: ReadonlySet<number>;
  readonly findings: readonly Finding[];
  /** Points of the whole song. */
  readonly cost: number;
}

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

/** A voicing that could stand in the place of the chosen one. */
export interface Alternative {
  readonly voicing: Voicing;
  readonly pitches: readonly Pitch[];
  /** What the whole song, solved anew round it, costs more than its best, in points. */
  readonly extra: number;
  readonly step: Step | null;
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

/** Movement from one voicing to the next, voice by voice. */
export function stepFrom(before: Voicing, after: Voicing): Step {
  const moves = movesBetween(before.keys, after.keys);
  return {
    semitones: moves.reduce((sum, move) => sum + move.semitones, 0),
    kept: commonKeys(before.keys, after.keys),
    millimetres: Math.round(Math.abs(after.middleMm - before.middleMm)),
    moves,
  };
}

/** Keys spelled as members of their chord; foreign keys as the key in force has them. */
export function spell(keys: readonly number[], chord: Chord, key: Key): Pitch[] {
  return keys.map((midi) => {
    const member = spellingInChord(midi, chord);
    return member ? pitchAt(midi, member) : spellInKey(midi, key);
  });
}
