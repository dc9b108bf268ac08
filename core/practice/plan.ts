import type { Hand } from '../hands';
import { LEVELS } from '../levels';
import type { Goal } from './goal';
import {
  BETWEEN_SECONDS,
  cardOf,
  lastPercentOf,
  isSaid,
  type Task,
  type TaskKind,
  minutesFor,
  type Span,
} from './task';

/** What a part is like, as far as a plan is made from it. */
export interface PartToPractise {
  readonly cutId: string;
  readonly number: number;
  readonly fromTick: number;
  readonly toTick: number;
  /** Seconds at the full tempo. */
  readonly seconds: number;
  /** 0 … 100. */
  readonly effort: number;
  /** Number of the part it is the same as: practised as that one. */
  readonly sameAs: number | null;
  /** The bars that differ from a part it nearly copies; null where all is new. */
  readonly differs: Span | null;
  /** Its hardest bar with the one before, ending on the next downbeat; null where no bar stands out. */
  readonly hardest: Span | null;
  /** Share of the last turns at it that went wrong, 0 … 1; 0 where there were none. */
  readonly missed: number;
  readonly hasRight: boolean;
  readonly hasLeft: boolean;
}

/** What is remembered of a card, as far as a plan is made from it. */
export interface CardState {
  readonly tempoPercent: number;
  readonly isPassed: boolean;
  /** When it should come again; null: it has not been passed yet. */
  readonly due: number | null;
}

export interface PlanOptions {
  /** Of the sitting; without end: all there is to practise, in its order, with the turns of one sitting. */
  readonly minutes: number;
  readonly now: number;
  readonly level: number;
  /** What is learned first. */
  readonly first: 'right' | 'left' | 'chords';
  /** How parts are put together: 1, 1–2, 1–3 …, or two by two and then all. */
  readonly chain: 'growing' | 'pairs';
  readonly goal: Goal;
  readonly cards: ReadonlyMap<string, CardState>;
  /** Whether the hands are warm: then no warm-up comes first. */
  readonly isWarm?: boolean;
  /** Days until it should be ready, today among them; absent or null: whenever it is. */
  readonly days?: number | null;
}

export interface Plan {
  readonly tasks: readonly Task[];
  /** What did not fit, what waits for the parts it is made of, and what is not due yet. */
  readonly leftOut: readonly { readonly task: Task; readonly why: 'no-time' | 'not-ready' | 'not-due' }[];
  readonly minutes: number;
  /** Minutes until all of it is passed, if every third turn fails; and so many a day, where a day is set. */
  readonly toGo: { readonly minutes: number; readonly perDay: number | null };
}

/** Turns of a part of usual effort; harder ones get more, easier fewer. */
const [FEWEST_TURNS, MOST_TURNS] = [2, 8];
/** Turns for something that is only heard, or said. */
const SAID_TURNS = 1;
/** A warm-up takes this long, in minutes, and is left out of a sitting in which it would be most of it. */
const WARM_UP_MINUTES = 3;
const LEAST_FOR_WARM_UP = 10;
/** To go up a level takes a look at it, in minutes. */
const LEVEL_MINUTES = 1;
const HIGHEST_LEVEL = LEVELS.length;
/** Turns it takes to be clean once, when every third fails. */
const TURNS_A_CLEAN_ONE = 1.5;

/**
 * The tasks of a sitting: what is due first, then the next of each part in the order practitioners work (hear it, one hand,
 * the other, say the meetings, both, the hardest bar alone), then parts put together once both hands of each are passed, then
 * all, then the next level; as many as the minutes hold, and one that was begun is finished. What minutes are left then go to
 * what is not passed yet. Before the first that is played the hands are warmed. Parts that are harder, or went wrong, get
 * proportionally more turns. Source: common practice of learning a piece part by part.
 */
export function planFor(parts: readonly PartToPractise[], options: PlanOptions): Plan {
  const own = parts.filter(({ sameAs }) => sameAs === null);
  const mean = own.reduce((sum, part) => sum + weightOf(part), 0) / Math.max(1, own.length);
  const all = [...own.flatMap((part) => tasksOf(part, mean, options)), ...chained(parts, options)].map(
    (task) => begunAt(task, proposedStart(task, parts, options)),
  );
  const stateOf = (task: Task): CardState | undefined => options.cards.get(task.card);
  const isDone = (task: Task): boolean => stateOf(task)?.isPassed === true;
  // Who plays both hands plays each of them: one hand alone, or only told, comes back no more once both are known.
  const isWithin = ({ kind, fromPart, fromTick }: Task): boolean =>
    (kind === 'right' || kind === 'left' || isSaid({ kind })) &&
    all.some(
      (task) =>
        task.kind === 'together' && task.fromPart === fromPart && task.fromTick === fromTick && isDone(task),
    );
  const isDue = (task: Task): boolean =>
    isDone(task) && !isWithin(task) && (stateOf(task)?.due ?? Infinity) <= options.now;
  const due = all.filter(isDue).map((task): Task => ({
    ...task,
    why: 'due',
    turns: FEWEST_TURNS,
    minutes: minutesOf(task, FEWEST_TURNS),
  }));
  const open = all
    .filter((task) => !isDone(task))
    .map((task): Task => ({ ...task, why: stateOf(task) ? 'next' : 'new' }));
  const isReady = ({ kind, fromPart, toPart }: Task): boolean =>
    (kind !== 'chain' && kind !== 'whole') ||
    options.minutes === Infinity ||
    !open.some(
      (task) =>
        task.kind === 'together' &&
        parts.some(
          ({ number, sameAs }) =>
            number >= fromPart && number <= toPart && (sameAs ?? number) === task.fromPart,
        ),
    );
  const next = open.filter(isReady);
  const later = all.filter((task) => isDone(task) && !isDue(task));
  const toGo = open.reduce((sum, task) => sum + minutesToPass(task, stateOf(task), options), 0);
  const isUp = open.length === 0 && parts.length > 0 && options.level < HIGHEST_LEVEL;
  const up = isUp ? [once('level', parts, options, LEVEL_MINUTES)] : [];
  const tasks: Task[] = [];
  const leftOut: { task: Task; why: Plan['leftOut'][number]['why'] }[] = [];
  let minutes = 0;
  for (const task of warmed([...due, ...next, ...up], parts, options)) {
    if (minutes < options.minutes) {
      tasks.push(task);
      minutes += task.minutes;
    } else leftOut.push({ task, why: 'no-time' });
  }
  const filled = refilled(tasks, options, stateOf);
  return {
    tasks: filled,
    leftOut: [
      ...leftOut,
      ...open.filter((task) => !isReady(task)).map((task) => ({ task, why: 'not-ready' as const })),
      ...later.map((task) => ({ task, why: 'not-due' as const })),
    ],
    minutes: filled.reduce((sum, task) => sum + task.minutes, 0),
    toGo: { minutes: toGo, perDay: options.days ? toGo / options.days : null },
  };
}

/** Tasks that get more turns, one each in turn, until the minutes are used or each has those it takes to be passed. */
function refilled(
  tasks: readonly Task[],
  options: PlanOptions,
  stateOf: (task: Task) => CardState | undefined,
): readonly Task[] {
  if (options.minutes === Infinity) return tasks;
  const filled = [...tasks];
  let spare = options.minutes - tasks.reduce((sum, { minutes }) => sum + minutes, 0);
  for (let isMore = true; isMore;) {
    isMore = false;
    filled.forEach((task, i) => {
      const turn = task.minutes / task.turns;
      if (task.why === 'due' || isSaid(task) || spare < turn) return;
      if (task.minutes + turn > minutesToPass(tasks[i], stateOf(task), options)) return;
      filled[i] = { ...task, turns: task.turns + 1, minutes: task.minutes + turn };
      spare -= turn;
      isMore = true;
    });
  }
  return filled;
}

/** A task about the whole song that is done once, and not practised. */
function once(
  kind: 'warm-up' | 'level',
  parts: readonly PartToPractise[],
  { level }: PlanOptions,
  minutes: number,
): Task {
  const [first, last] = [parts[0], parts[parts.length - 1]];
  return {
    id: kind,
    kind,
    fromPart: first.number,
    toPart: last.number,
    fromTick: first.fromTick,
    toTick: last.toTick,
    hands: 'both',
    level,
    card: `${kind}|${level}`,
    turns: SAID_TURNS,
    minutes,
    why: 'new',
    more: null,
    fromPercent: 100,
  };
}

/** The hands are warmed before the first task that is played. */
function warmed(
  tasks: readonly Task[],
  parts: readonly PartToPractise[],
  options: PlanOptions,
): readonly Task[] {
  const at = tasks.findIndex((task) => !isSaid(task));
  if (options.isWarm !== false || at < 0 || options.minutes < LEAST_FOR_WARM_UP) return tasks;
  return tasks.toSpliced(at, 0, once('warm-up', parts, options, WARM_UP_MINUTES));
}

/** Minutes until a task is passed: every step of its goal, with the turns that fail. */
function minutesToPass(task: Task, state: CardState | undefined, { goal }: PlanOptions): number {
  if (isSaid(task)) return task.minutes;
  const from = state?.tempoPercent ?? task.fromPercent;
  const steps = Math.max(0, Math.ceil((lastPercentOf(task) - from) / goal.by)) + 1;
  const turn = task.minutes / task.turns;
  return steps * goal.turns * TURNS_A_CLEAN_ONE * turn;
}

/** How hard a part is, more where it went wrong of late. */
function weightOf({ effort, missed }: PartToPractise): number {
  return effort * (1 + missed);
}

function tasksOf(part: PartToPractise, meanWeight: number, options: PlanOptions): Task[] {
  const { level, first } = options;
  const stretch = part.differs ?? part;
  const hands: (Hand | 'both')[] = first === 'right' ? ['right', 'left', 'both'] : ['left', 'right', 'both'];
  const present = hands.filter((hand) =>
    hand === 'both' ? part.hasRight && part.hasLeft : hand === 'right' ? part.hasRight : part.hasLeft,
  );
  const turns = turnsFor(weightOf(part), meanWeight, options.goal);
  const usual = turnsFor(meanWeight, meanWeight, options.goal);
  const byEffort = turnsFor(part.effort, meanWeight, options.goal);
  const more = turns <= usual ? null : byEffort > usual ? 'harder' : 'went-wrong';
  const task = (
    kind: TaskKind,
    hand: Hand | 'both',
    times: number,
    { fromTick, toTick, seconds }: Span = stretch,
  ): Task => {
    const card = cardOf(part.cutId, hand, level);
    const isWhole = !isSaid({ kind }) && kind !== 'hardest';
    return {
      id: `${kind} ${part.cutId} ${hand}`,
      kind,
      fromPart: part.number,
      toPart: part.number,
      fromTick,
      toTick,
      hands: hand,
      level,
      card: isWhole ? card : `${kind}|${card}`,
      turns: times,
      minutes: minutesFor(seconds, times, options.goal.from),
      why: 'new',
      more: isSaid({ kind }) ? null : more,
      fromPercent: options.goal.from,
    };
  };
  const hardest = part.hardest ? [task('hardest', 'both', turns, part.hardest)] : [];
  return [
    task('hear', 'both', SAID_TURNS),
    ...present.flatMap((hand) =>
      hand === 'both'
        ? [task('meetings', 'both', SAID_TURNS), task('together', 'both', turns), ...hardest]
        : [task(hand, hand, turns)],
    ),
  ];
}

/** Parts put together once each is known: two and two, or from the first on one more each time; then the whole. */
function chained(parts: readonly PartToPractise[], { level, chain, goal }: PlanOptions): Task[] {
  if (parts.length < 2) return [];
  const spans: (readonly [number, number])[] =
    chain === 'growing'
      ? parts.slice(1, -1).map((_, i) => [0, i + 1] as const)
      : parts.flatMap((_, i) => (i % 2 === 0 && i + 1 < parts.length ? [[i, i + 1] as const] : []));
  const whole = [0, parts.length - 1] as const;
  return [...spans.filter(([from, to]) => to - from < whole[1]), whole].map(([from, to]) => {
    const [a, b] = [parts[from], parts[to]];
    const seconds = parts.slice(from, to + 1).reduce((sum, part) => sum + part.seconds, 0);
    const isWhole = from === 0 && to === whole[1];
    return {
      id: `${isWhole ? 'whole' : 'chain'} ${a.cutId} ${b.cutId}`,
      kind: isWhole ? 'whole' : 'chain',
      fromPart: a.number,
      toPart: b.number,
      fromTick: a.fromTick,
      toTick: b.toTick,
      hands: 'both',
      level,
      card: cardOf(`${a.cutId}–${b.cutId}`, 'both', level),
      turns: FEWEST_TURNS,
      minutes: minutesFor(seconds, FEWEST_TURNS, goal.from),
      why: 'new',
      more: null,
      fromPercent: goal.from,
    };
  });
}

/** Hands that are known are put together this many steps slower, parts one step. */
const SLOWER = { together: 2, hardest: 1, chain: 1, whole: 1 } as const;

/**
 * The tempo something new begins at: both hands a little slower than the slower hand, parts put together a little slower
 * than the slowest of them. Source: common practice: what is put together is taken slower than what it is made of.
 */
function proposedStart(
  task: Task,
  parts: readonly PartToPractise[],
  { goal, cards, level }: PlanOptions,
): number {
  const { kind } = task;
  if (kind !== 'together' && kind !== 'hardest' && kind !== 'chain' && kind !== 'whole') return goal.from;
  const among = parts.filter(({ number }) => number >= task.fromPart && number <= task.toPart);
  const tempoOf = ({ cutId, sameAs }: PartToPractise, hands: Hand | 'both'): number => {
    const own = parts.find(({ number }) => number === sameAs)?.cutId ?? cutId;
    return cards.get(cardOf(own, hands, level))?.tempoPercent ?? goal.from;
  };
  const madeOf: readonly (Hand | 'both')[] = kind === 'together' ? ['right', 'left'] : ['both'];
  const slowest = Math.min(...among.flatMap((part) => madeOf.map((hands) => tempoOf(part, hands))));
  return Math.max(goal.from, Math.min(100, slowest) - SLOWER[kind] * goal.by);
}

/** A task that begins at a tempo: its turns take as long as they do there. */
function begunAt(task: Task, fromPercent: number): Task {
  const between = (task.turns * BETWEEN_SECONDS) / 60;
  return {
    ...task,
    fromPercent,
    minutes: between + ((task.minutes - between) * task.fromPercent) / fromPercent,
  };
}

/** Turns in proportion to the weight of a part beside the others. */
function turnsFor(weight: number, mean: number, goal: Goal): number {
  const usual = goal.turns + 1;
  return Math.max(FEWEST_TURNS, Math.min(MOST_TURNS, Math.round((usual * weight) / Math.max(1, mean))));
}

function minutesOf(task: Task, turns: number): number {
  return (task.minutes * turns) / task.turns;
}
