import { type Chord, chroma, classAbove, type Key, KEYBOARDS, keyName, reachMm, scaleOf } from '../music';
import { gotOrMade, Memory } from '../memory';
import { type CloseHands, type PlayedChange, type Profile } from '../song';
import { OptionFinder, type Options, type Sounding, soundingIn } from './bounds';
import { candidatesFor } from './candidates';
import { isUnderMelody, type SolvedLayout } from './members';
import { leastCost, type Spot } from './solver';
import { type FixedBy, type FixedKeys, isShared, type VoicingTask } from './task';
import { pairsOf } from './twoNotes';
import { chordUnder } from './underMelody';
import { atTheEnds } from './ends';
import { type Voicing, voicingOf } from './voicing';
import type { VoicingWeights } from './weights';

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
  const lookup = optionsIn(task, raised);
  const sounding = task.changes.filter((c) => c.chord !== null && c.length > 0);
  raiseParts(task, sounding, raised, lookup);
  const prepared = sounding.map((change) => preparedFrom(task, change, lookup));
  const playable = prepared.filter((p) => p.options.candidates.length > 0);
  const candidatesOf = (p: Prepared, i: number): readonly Voicing[] => {
    const [isFirst, isLast] = [i === 0, i === playable.length - 1];
    const all = task.endsAreFree ? p.options.candidates : atTheEnds(p, isFirst, isLast);
    return task.playsTwo?.(p.change) ? pairsOf(p, all, !task.endsAreFree && (isFirst || isLast)) : all;
  };
  const spots = playable.map((p, i): Spot => ({
    candidates: candidatesOf(p, i),
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
    melodyWith: lookup.melodyWith,
  };
}

/** What a chord may be where it stands, under the melody as it is struck: parts found raised meanwhile an octave higher. */
interface OptionsLookup {
  readonly optionsOf: (change: PlayedChange, chord: Chord, layout: SolvedLayout) => Options | null;
  /** Where nothing fits below the melody: as if there were none. */
  readonly crossing: (change: PlayedChange, chord: Chord, layout: SolvedLayout) => Options;
  readonly melodyWith: (change: PlayedChange) => Sounding[];
}

function optionsIn(task: VoicingTask, raised: ReadonlyMap<number, PlayedChange>): OptionsLookup {
  const memory = task.memory ?? new Memory();
  const finder = new OptionFinder(task.profile, memory);
  // As long as nothing it depends on is another.
  const optionsMade = memory.of<Options | null>('options');
  const crossingMade = memory.of<Options>('options where the hands cross');
  const longest = task.melody.reduce((most, note) => Math.max(most, note.length), 0);
  const scaleOf = (change: PlayedChange): ReadonlySet<number> => chromasOf(task.keyAt(change.tick));
  const melodyFrom = (change: PlayedChange): Sounding[] =>
    soundingIn(task.melody, change.tick, change.tick + change.length, longest);
  const isRaised = (note: Sounding): boolean => raised.has(task.partOf(note.tick));
  const melodyWith = (change: PlayedChange): Sounding[] =>
    melodyFrom(change).map((note) => (isRaised(note) ? { ...note, midi: note.midi + 12 } : note));
  const optionsAnew = (change: PlayedChange, chord: Chord, layout: SolvedLayout): Options | null => {
    if (layout === 'singing') return aroundMiddleC(change, chord, task.profile);
    const melody = melodyWith(change);
    const over = melody.find((note) => note.tick <= change.tick && note.tick + note.length > change.tick);
    if (isUnderMelody(layout)) {
      if (!over) return aroundMiddleC(change, chord, task.profile);
      const candidates = chordUnder(chord, over.midi, task.profile);
      return { candidates, relaxed: null, length: change.length };
    }
    const context = { scale: scaleOf(change), melody: over ? over.midi % 12 : null };
    const closeHands = closeHandsOf(task, change);
    const { symbol, length, tick } = change;
    const letsGo = closeHands === 'let-go';
    const options = finder.under(symbol, chord, layout, length, melody, tick, context, letsGo);
    // Where there is room below the melody, hands that may cross need not.
    return options?.relaxed === null || closeHands !== 'cross'
      ? options
      : finder.crossing(symbol, chord, layout, length, context);
  };
  return {
    melodyWith,
    optionsOf: (change, chord, layout) => {
      const melody = melodyFrom(change);
      const marks = melody.map((note) => (isRaised(note) ? 'r' : '-')).join('');
      const closeHands = closeHandsOf(task, change);
      const from = [change, layout, melody, marks, scaleOf(change), closeHands, task.profile];
      return optionsMade(change.id, from, () => optionsAnew(change, chord, layout));
    },
    crossing: (change, chord, layout) => {
      const context = { scale: scaleOf(change), melody: null };
      return crossingMade(change.id, [change, layout, context.scale, task.profile], () =>
        finder.crossing(change.symbol, chord, layout, change.length, context),
      );
    },
  };
}

function closeHandsOf(task: VoicingTask, change: PlayedChange): CloseHands | null {
  return task.closeHandsOf?.(change) ?? null;
}

/** Parts in which a chord has no room under the melody are raised by an octave, as long as the keyboard has one above. */
function raiseParts(
  task: VoicingTask,
  sounding: readonly PlayedChange[],
  raised: Map<number, PlayedChange>,
  { optionsOf }: OptionsLookup,
): void {
  const { high } = KEYBOARDS[task.profile.keyboard];
  const highest = new Map<number, number>();
  for (const { tick, midi } of task.melody) {
    const part = task.partOf(tick);
    highest.set(part, Math.max(highest.get(part) ?? 0, midi));
  }
  for (const change of sounding) {
    const part = task.partOf(change.tick);
    const hasOctaveAbove = (highest.get(part) ?? 0) + 12 <= high;
    if (task.fixed.has(change.id) || raised.has(part) || !hasOctaveAbove) continue;
    if (!optionsOf(change, change.chord as Chord, task.layoutOf(change))) raised.set(part, change);
  }
}

function preparedFrom(task: VoicingTask, change: PlayedChange, lookup: OptionsLookup): Prepared {
  const chord = change.chord as Chord;
  const layout = task.layoutOf(change);
  const key = task.keyAt(change.tick);
  const fixed = task.fixed.get(change.id);
  const found = (): Options | null => lookup.optionsOf(change, chord, layout);
  const options = fixed
    ? heldTo(fixed, chord, change, found)
    : (found() ?? lookup.crossing(change, chord, layout));
  const closeHands = closeHandsOf(task, change);
  return { change, chord, key, layout, options, fixedBy: fixed?.by ?? null, closeHands };
}

/** Keys that are fixed; those that parts share are one of the voicings found for the chord, with what gave way for it. */
function heldTo(
  { keys, by }: FixedKeys,
  chord: Chord,
  { length }: PlayedChange,
  found: () => Options | null,
): Options {
  const name = keys.join();
  const options = isShared(by) ? found() : null;
  const own = options?.candidates.find((voicing) => voicing.keys.join() === name);
  if (options && own) return { ...options, candidates: alone(own) };
  const candidates = gotOrMade(
    gotOrMade(held, chord, () => new Map<string, Voicing[]>()),
    name,
    () => [voicingOf(keys, chord)],
  );
  return { candidates, relaxed: null, length };
}

/** Lists of one voicing, the same list once: the solver remembers step costs by list. */
const held = new WeakMap<Chord, Map<string, Voicing[]>>();
const lists = new WeakMap<Voicing, readonly Voicing[]>();

/** A list of one voicing. */
export function alone(voicing: Voicing): readonly Voicing[] {
  return gotOrMade(lists, voicing, () => [voicing]);
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
  const all = spots.map(({ candidates }) => candidates.map((_, at) => at));
  let best: { readonly frame: number; readonly cost: number } | null = null;
  for (const frame of [...new Set(lowest)].sort((a, b) => a - b)) {
    const among = spots.map(({ candidates }, i) =>
      isPartial[i] ? all[i].filter((at) => isWithin(candidates[at], frame)) : all[i],
    );
    if (among.some((some) => some.length === 0)) continue;
    const cost = leastCost(spots, weights, among);
    if (!best || cost < best.cost) best = { frame, cost };
  }
  if (!best) return spots;
  const { frame } = best;
  return spots.map((spot, i) => (isPartial[i] ? within(spot, frame) : spot));
}

function isWithin({ keys }: Voicing, frame: number): boolean {
  return keys[0] >= frame && keys[keys.length - 1] <= frame + FRAME;
}

/** Candidates inside each frame, the same list once: the solver remembers step costs by list. */
const framedLists = new WeakMap<readonly Voicing[], Map<number, readonly Voicing[]>>();

function within(spot: Spot, frame: number): Spot {
  const { candidates } = spot;
  const lists = gotOrMade(framedLists, candidates, () => new Map<number, readonly Voicing[]>());
  const framed = gotOrMade(lists, frame, () => candidates.filter((one) => isWithin(one, frame)));
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
