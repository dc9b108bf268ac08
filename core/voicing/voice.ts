import type { Chord } from '../music/chord';
import { type Key, keyName, scaleOf, spellInKey } from '../music/key';
import { spellingInChord } from '../music/chord';
import { type Pitch, chroma, classAbove, pitchAt } from '../music/pitch';
import { reachMm } from '../music/keyboard';
import type { Finding } from '../song/finding';
import type { CloseHands, Profile } from '../song/schema';
import type { PlayedChange } from '../song/unfold';
import {
  CROWDED,
  type Options,
  type Relaxation,
  SHORTEST_HOLD,
  type Sounding,
  finderFor,
  soundingIn,
} from './bounds';
import { fixedFindings, oncePerPart, raisedFinding, relaxationFindings } from './findings';
import { candidatesFor } from './candidates';
import { type SolvedLayout, isUnderMelody } from './members';
import { commonKeys, movesBetween, type VoiceMove } from './movement';
import { type Solution, type Spot, solve } from './solver';
import { chordUnder } from './underMelody';
import { type Voicing, voicingOf } from './voicing';
import type { VoicingWeights } from './weights';

/** Why a voicing was not for the solver to choose. */
export type FixedBy = 'pin' | 'settled' | 'same' | 'shared';

export interface FixedKeys {
  readonly keys: readonly number[];
  readonly by: FixedBy;
}

/** All the voicing stage looks at. */
export interface VoicingTask {
  readonly changes: readonly PlayedChange[];
  /** The melody as it will be struck, sorted by onset. */
  readonly melody: readonly Sounding[];
  readonly profile: Profile;
  readonly weights: VoicingWeights;
  readonly partOf: (tick: number) => number;
  readonly layoutOf: (change: PlayedChange) => SolvedLayout;
  readonly registerOf: (change: PlayedChange) => number;
  /** What the pianist chose where the hands come too close. */
  readonly closeHandsOf?: (change: PlayedChange) => CloseHands | null;
  readonly keyAt: (tick: number) => Key;
  readonly fixed: ReadonlyMap<string, FixedKeys>;
}

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

export interface Prepared {
  readonly change: PlayedChange;
  readonly chord: Chord;
  readonly key: Key;
  readonly layout: SolvedLayout;
  readonly options: Options;
  readonly fixedBy: FixedBy | null;
  readonly closeHands: CloseHands | null;
}

/** All the solver needs to know of a task. */
export interface Ready {
  readonly spots: readonly Spot[];
  readonly prepared: readonly Prepared[];
  /** Where a change (by played id) stands among them, -1 where it has no chord. */
  readonly at: (changeId: string) => number;
  /** Parts whose melody is raised, with the change that had no room. */
  readonly raised: ReadonlyMap<number, PlayedChange>;
  /** The melody sounding with a change, as it is struck. */
  readonly melodyWith: (change: PlayedChange) => Sounding[];
}

/** What each chord of a task may be, whatever had to give way for it. */
export function prepare(task: VoicingTask): Ready {
  const raised = new Map<number, PlayedChange>();
  const finder = finderFor(task.profile);
  const longest = task.melody.reduce((most, note) => Math.max(most, note.length), 0);
  const closeHandsOf = (change: PlayedChange): CloseHands | null => task.closeHandsOf?.(change) ?? null;
  const melodyWith = (change: PlayedChange): Sounding[] =>
    soundingIn(task.melody, change.tick, change.tick + change.length, longest).map((note) =>
      raised.has(task.partOf(note.tick)) ? { ...note, midi: note.midi + 12 } : note,
    );
  const optionsOf = (change: PlayedChange, chord: Chord, layout: SolvedLayout): Options | null => {
    if (layout === 'singing') return aroundMiddleC(change, chord, task.profile);
    const melody = melodyWith(change);
    const over = melody.find((note) => note.tick <= change.tick && note.tick + note.length > change.tick);
    if (isUnderMelody(layout)) {
      if (!over) return aroundMiddleC(change, chord, task.profile);
      const candidates = chordUnder(chord, over.midi, task.profile);
      return { candidates, relaxed: null, length: change.length };
    }
    const context = { scale: chromasOf(task.keyAt(change.tick)), melody: over ? over.midi % 12 : null };
    const letsGo = closeHandsOf(change) === 'let-go';
    const { symbol, length, tick } = change;
    const options = finder.under(symbol, chord, layout, length, melody, tick, context, letsGo);
    // Where there is room below the melody, hands that may cross need not.
    return options?.relaxed === null || closeHandsOf(change) !== 'cross'
      ? options
      : finder.crossing(symbol, chord, layout, length, context);
  };
  const sounding = task.changes.filter((c) => c.chord !== null && c.length > 0);
  for (const change of sounding) {
    const part = task.partOf(change.tick);
    if (task.fixed.has(change.id) || raised.has(part)) continue;
    if (!optionsOf(change, change.chord as Chord, task.layoutOf(change))) raised.set(part, change);
  }
  const prepared = sounding.map((change): Prepared => {
    const chord = change.chord as Chord;
    const layout = task.layoutOf(change);
    const key = task.keyAt(change.tick);
    const fixed = task.fixed.get(change.id);
    const closeHands = closeHandsOf(change);
    if (fixed) {
      const options = heldTo(fixed, chord, change, () => optionsOf(change, chord, layout));
      return { change, chord, key, layout, options, fixedBy: fixed.by, closeHands };
    }
    const options =
      optionsOf(change, chord, layout) ??
      finder.crossing(change.symbol, chord, layout, change.length, { scale: chromasOf(key), melody: null });
    return { change, chord, key, layout, options, fixedBy: null, closeHands };
  });
  const playable = prepared.filter((p) => p.options.candidates.length > 0);
  const spots = playable.map((p, i): Spot => ({
    candidates: p.options.candidates,
    place: {
      firstOrLast: i === 0 || i === playable.length - 1,
      register: task.registerOf(p.change),
      leadingNote: leadingNoteOf(p.key),
      reachMm: reachMm(task.profile.leftReach),
    },
  }));
  const places = new Map(playable.map((p, i) => [p.change.id, i]));
  return {
    spots: inOneFrame(spots, playable, task.weights),
    prepared: playable,
    at: (id) => places.get(id) ?? -1,
    raised,
    melodyWith,
  };
}

/** Keys that are fixed; those that parts share are one of the voicings found for the chord, with what gave way for it. */
function heldTo(
  { keys, by }: FixedKeys,
  chord: Chord,
  { length }: PlayedChange,
  found: () => Options | null,
): Options {
  const options = by === 'shared' || by === 'same' ? found() : null;
  const own = options?.candidates.find((voicing) => voicing.keys.join() === keys.join());
  if (options && own) return { ...options, candidates: [own] };
  return { candidates: [voicingOf(keys, chord)], relaxed: null, length };
}

/** A hand that plays partials stays over one octave. */
const FRAME = 12;

/**
 * Two-note partials are played in one fixed frame of an octave: of all frames the one with which the song costs least.
 * Where no frame holds them all, the hand moves.
 */
function inOneFrame(spots: Spot[], prepared: readonly Prepared[], weights: VoicingWeights): Spot[] {
  // What parts share lies in the frame with the rest; pins and settled parts stay where they are.
  const isPartial = prepared.map(
    ({ layout, fixedBy }) => layout === 'partial' && fixedBy !== 'pin' && fixedBy !== 'settled',
  );
  const lowest = spots.flatMap(({ candidates }, i) => (isPartial[i] ? candidates.map((c) => c.keys[0]) : []));
  let best: { readonly spots: Spot[]; readonly cost: number } | null = null;
  for (const frame of [...new Set(lowest)].sort((a, b) => a - b)) {
    const framed = spots.map((spot, i) => (isPartial[i] ? within(spot, frame) : spot));
    if (framed.some(({ candidates }) => candidates.length === 0)) continue;
    const { cost } = solve(framed, weights);
    if (!best || cost < best.cost) best = { spots: framed, cost };
  }
  return best?.spots ?? spots;
}

/** Candidates inside each frame, the same list once: the solver remembers step costs by list. */
const framedLists = new WeakMap<readonly Voicing[], Map<number, readonly Voicing[]>>();

function within(spot: Spot, frame: number): Spot {
  const { candidates } = spot;
  let lists = framedLists.get(candidates);
  if (!lists) framedLists.set(candidates, (lists = new Map<number, readonly Voicing[]>()));
  let framed = lists.get(frame);
  if (!framed) {
    framed = candidates.filter(({ keys }) => keys[0] >= frame && keys[keys.length - 1] <= frame + FRAME);
    lists.set(frame, framed);
  }
  return { ...spot, candidates: framed };
}

const scales = new Map<string, ReadonlySet<number>>();

/** Chromas of a key, with the raised leading note in minor. */
function chromasOf(key: Key): ReadonlySet<number> {
  const name = keyName(key);
  let scale = scales.get(name);
  if (!scale) scales.set(name, (scale = new Set([...scaleOf(key).map(chroma), leadingNoteOf(key)])));
  return scale;
}

/** In the right hand, close around middle C; a slash bass is the left hand's. */
function aroundMiddleC(change: PlayedChange, chord: Chord, profile: Profile): Options {
  const bounds = { low: 52, high: 79, reachMm: reachMm(profile.rightReach) };
  const candidates = candidatesFor({ ...chord, bass: null }, 'singing', bounds);
  return { candidates, relaxed: null, length: change.length };
}

function leadingNoteOf(key: Key): number {
  return chroma(classAbove(key.tonic, '7M'));
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
