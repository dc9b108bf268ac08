import type { HandNote } from '../../hands';
import { chroma, membersOf } from '../../music';
import { leastPathOfThrees } from '../../paths';
import { because } from '../../sentences';
import { chordScale } from '../../shaping';
import { placeIn } from '../../song';
import type { Proposal } from '../proposal';
import { chordAt, type Still } from '../stills';
import type { FillTask } from '../task';
import { rightHandFill } from './rightHand';

const KIND = 'answer';
/** Notes of a figure, its goal among them. */
const [FEWEST, MOST] = [4, 7];
/** A held note makes room where a phrase closes, and elsewhere, in beats. */
const [ROOM_AT_CLOSE, ROOM] = [2, 3];
/** The tune keeps at most so many beats of it. */
const KEPT = 2;
/** A3: an answer goes no lower, unless the tune is there. */
const LOWEST = 57;
const FREE_OF_LEFT = 3;
const RUBS = [1, 13];
const FIFTH = 7;
const TRITONE = 6;
/** Half steps above the held note that an answer may go to. */
const HIGHEST = 9;

/** Points, ten to one. What costs more than `dearest` is no answer. */
const COST = {
  contour: 7,
  same: 30,
  third: 18,
  far: 40,
  turnsBack: 10,
  tritone: 25,
  firstFigure: 4,
  inverted: 4,
  otherRhythm: 5,
  inPhrase: 6,
  innerGoal: 6,
  dearest: 45,
} as const;

/** A figure to answer with: ticks from note to note, steps from pitch to pitch, and what it costs to take. */
interface Motif {
  readonly variant: string;
  readonly gaps: readonly number[];
  readonly steps: readonly number[];
  readonly cost: number;
}

/**
 * A figure of the tune that answers it while it holds still: in its own rhythm, in the scale of the chord, chord notes on the
 * beats, and home by step to where the tune goes on, on its beat. At least three notes; the best of each way. Source: common
 * practice of answering a tune in its own words.
 */
export function answer(task: FillTask, still: Still): Proposal[] {
  const { next, end } = still;
  if (!next || end >= task.songEnd || !hasRoom(task, still)) return [];
  const begins = beginsAt(still);
  const found = motifsOf(task, still).flatMap((motif) =>
    goalsOf(task, still).flatMap((goal) => {
      const total = motif.gaps.reduce((sum, gap) => sum + gap, 0);
      if (goal.tick - total < begins) return [];
      const line = lineOf(task, still, motif, goal);
      return line ? [{ ...line, variant: motif.variant, goal }] : [];
    }),
  );
  const best = new Map<string, (typeof found)[number]>();
  for (const one of found)
    if (one.cost <= COST.dearest && one.cost < (best.get(one.variant)?.cost ?? Infinity))
      best.set(one.variant, one);
  return [...best.values()].flatMap(({ keys, cost, variant }) => {
    const fill = rightHandFill(task, still, {
      kind: KIND,
      variant,
      keys,
      rank: Math.round(cost / 5),
      skill: 2,
      reason: because.answers(keys.length),
      letsGo: keys[0].tick < still.heldTo,
    });
    return fill ? [fill] : [];
  });
}

/** A rest of a beat, a note held for two beats where a phrase closes, for three elsewhere. */
function hasRoom(task: FillTask, still: Still): boolean {
  const { note, end, heldTo, pulse } = still;
  const beats = isClose(task, still) ? ROOM_AT_CLOSE : ROOM;
  return end - heldTo >= pulse || end - note.tick >= beats * pulse;
}

/** The tune goes on with another phrase. */
function isClose({ phraseStarts }: FillTask, { note, end }: Still): boolean {
  return phraseStarts.some((tick) => tick > note.tick && tick <= end);
}

function beginsAt({ note, heldTo, pulse }: Still): number {
  const half = Math.ceil((heldTo - note.tick) / pulse / 2) * pulse;
  return Math.min(heldTo, note.tick + Math.max(pulse, Math.min(half, KEPT * pulse)));
}

interface Goal {
  readonly tick: number;
  /** The key it is, where that is the tune's own; null: a note of the chord. */
  readonly midi: number | null;
}

/** Where an answer may arrive: on the tune's next note, or on a beat before it. */
function goalsOf(task: FillTask, { note, next, end, pulse }: Still): Goal[] {
  const goals: Goal[] = [];
  if (next && placeIn(task.bars, next.tick).strength >= 2) goals.push({ tick: next.tick, midi: next.midi });
  for (let tick = end - pulse; tick > note.tick + pulse && goals.length < 3; tick -= pulse)
    if (placeIn(task.bars, tick).strength >= 2) goals.push({ tick, midi: null });
  return goals;
}

/** The tune's last figure that runs into a beat, and its first; each as it is, turned upside down, in even notes. */
function motifsOf(task: FillTask, { before, step }: Still): Motif[] {
  const line = task.tune.filter(({ grace }) => !grace);
  const figures = [
    ...figuresIn(task, before).map((notes) => ({ notes, variant: 'last-figure', cost: 0 })),
    ...figuresIn(task, line.slice(0, MOST), true).map((notes) => ({
      notes,
      variant: 'first-figure',
      cost: COST.firstFigure,
    })),
  ];
  return figures.flatMap(({ notes, variant, cost }): Motif[] => {
    const gaps = notes.slice(1).map(({ tick }, i) => tick - notes[i].tick);
    const steps = notes.slice(1).map(({ midi }, i) => stepsOf(midi - notes[i].midi));
    const upsideDown = steps.map((by) => -by);
    const even = gaps.map(() => step);
    const plain = gaps.some((gap) => gap < task.shortest)
      ? []
      : [
          { variant, gaps, steps, cost },
          { variant: 'upside-down', gaps, steps: upsideDown, cost: cost + COST.inverted },
        ];
    const isEven = step >= task.shortest && gaps.some((gap) => gap !== step);
    return [
      ...plain,
      ...(isEven ? [{ variant: 'even-notes', gaps: even, steps, cost: cost + COST.otherRhythm }] : []),
    ];
  });
}

/** Four to seven notes in a row the last of which falls on a beat; of the end of a line, or of its beginning. */
function figuresIn(
  { bars }: FillTask,
  notes: readonly HandNote[],
  fromStart = false,
): (readonly HandNote[])[] {
  const found: (readonly HandNote[])[] = [];
  const isOnBeat = (note: HandNote): boolean => placeIn(bars, note.tick).strength >= 2;
  for (let count = FEWEST; count <= MOST; count++) {
    const some = fromStart ? notes.slice(0, count) : notes.slice(-count);
    const last = some.at(-1);
    if (some.length === count && last && isOnBeat(last)) found.push(some);
  }
  return found;
}

/** Half steps as steps of a scale. */
function stepsOf(halfSteps: number): number {
  return Math.round((halfSteps * 7) / 12);
}

interface Line {
  readonly keys: readonly { readonly tick: number; readonly length: number; readonly midi: number }[];
  readonly cost: number;
}

/** The pitches of a figure at a place, so that the whole costs least: exact. */
function lineOf(task: FillTask, still: Still, motif: Motif, goal: Goal): Line | null {
  const total = motif.gaps.reduce((sum, gap) => sum + gap, 0);
  const ticks = [goal.tick - total];
  for (const gap of motif.gaps) ticks.push(ticks[ticks.length - 1] + gap);
  const count = motif.gaps.length;
  const candidates = ticks.map((tick, i) =>
    i === count && goal.midi !== null
      ? [{ midi: goal.midi, isMember: true }]
      : keysAt(task, still, tick, i === count ? still.end : ticks[i + 1], i === 0 || i === count),
  );
  if (candidates.some((list) => list.length === 0)) return null;
  const { chosen, cost } = leastPathOfThrees(
    candidates.map((list, i) =>
      list.map(({ midi }) => (i === 0 && Math.abs(midi - still.note.midi) > FIFTH ? Infinity : 0)),
    ),
    (i, a, b) => stepCost(candidates[i - 1][a], candidates[i][b], motif.steps[i - 1], i === count),
    (i, a, _, c) => (candidates[i - 2][a].midi === candidates[i][c].midi ? COST.turnsBack : 0),
  );
  const keys = candidates.map((list, i) => list[chosen[i]]);
  const own = keys.slice(0, goal.midi === null ? count + 1 : count);
  if (!Number.isFinite(cost) || new Set(own.map(({ midi }) => midi)).size < 3) return null;
  return {
    keys: own.map(({ midi }, i) => ({
      tick: ticks[i],
      length: (ticks[i + 1] ?? still.end) - ticks[i],
      midi,
    })),
    cost:
      cost / Math.sqrt(count) +
      motif.cost +
      (isClose(task, still) ? 0 : COST.inPhrase) +
      (goal.midi === null ? COST.innerGoal : 0),
  };
}

interface Key {
  readonly midi: number;
  readonly isMember: boolean;
}

/** Keys an answer may strike at a tick: of the chord's scale, of the chord where it must be; clear of the left hand. */
function keysAt(task: FillTask, { note }: Still, tick: number, until: number, mustBeMember: boolean): Key[] {
  const voiced = chordAt(task, tick);
  if (!voiced) return [];
  // In a blues the leading note is heard in the chord alone.
  const leading = task.style?.id === 'blues' ? (chroma(voiced.key.tonic) + 11) % 12 : null;
  const scale = chordScale(voiced.chord, voiced.key);
  const members = new Set(membersOf(voiced.chord).map((member) => member.chroma));
  const isStrong = mustBeMember || placeIn(task.bars, tick).strength >= 2;
  const under = task.left.filter((low) => low.tick < until && low.tick + low.length > tick);
  const floor = Math.max(Math.min(LOWEST, note.midi - 5), ...under.map(({ midi }) => midi + FREE_OF_LEFT));
  const keys: Key[] = [];
  for (let midi = floor; midi <= note.midi + HIGHEST; midi++) {
    const isMember = members.has(midi % 12);
    if (!(isMember || (!isStrong && scale.has(midi % 12) && midi % 12 !== leading))) continue;
    if (under.some((low) => RUBS.includes(Math.abs(low.midi - midi)))) continue;
    keys.push({ midi, isMember });
  }
  return keys;
}

/** What it costs to go from one note to the next: foreign notes by step both ways, a leap of a fifth at most, home by step. */
function stepCost(from: Key, to: Key, wanted: number, isHome: boolean): number {
  const by = to.midi - from.midi;
  const far = Math.abs(by);
  if (far > FIFTH || ((!from.isMember || !to.isMember) && far > 2)) return Infinity;
  const contour = COST.contour * Math.abs(stepsOf(by) - wanted);
  if (!isHome) return contour + (far === 0 ? COST.same : far === TRITONE ? COST.tritone : 0);
  if (far === 0) return COST.same;
  return contour / 2 + (far <= 2 ? 0 : far <= 4 ? COST.third : COST.far);
}
