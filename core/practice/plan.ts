import type { Hand } from '../hands';
import { RUNGS } from '../ladder';
import type { Gate } from './gate';
import {
  BETWEEN_SECONDS,
  cardOf,
  goalOf,
  isSaid,
  type Job,
  type JobKind,
  minutesFor,
  type Span,
} from './job';

/** What a part is like, as far as a plan is made from it. */
export interface PartToPractise {
  readonly cutId: string;
  readonly number: number;
  readonly fromTick: number;
  readonly toTick: number;
  /** Seconds at the goal tempo. */
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
  readonly minutes: number;
  readonly now: number;
  readonly rung: number;
  /** What is learned first. */
  readonly first: 'right' | 'left' | 'chords';
  /** How parts are put together: 1, 1–2, 1–3 …, or two by two and then all. */
  readonly chain: 'growing' | 'pairs';
  readonly gate: Gate;
  readonly cards: ReadonlyMap<string, CardState>;
  /** Whether the hands are warm: then no warm-up comes first. */
  readonly isWarm?: boolean;
  /** Days until it should be ready, today among them; absent or null: whenever it is. */
  readonly days?: number | null;
}

export interface Plan {
  readonly jobs: readonly Job[];
  /** What did not fit, and what is not due yet. */
  readonly leftOut: readonly { readonly job: Job; readonly why: 'no-time' | 'not-due' }[];
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
/** To go up a rung takes a look at it, in minutes. */
const RUNG_MINUTES = 1;
const HIGHEST_RUNG = RUNGS.length;
/** Turns it takes to be clean once, when every third fails. */
const TURNS_A_CLEAN_ONE = 1.5;

/**
 * The jobs of a sitting: what is due first, then the next of each part in the order practitioners work (hear it, one hand,
 * the other, say the meetings, both, the hardest bar alone), then parts put together, then all, then the next rung; as many
 * as the minutes hold, and one that was begun is finished. Before the first that is played the hands are warmed. Parts
 * that are harder, or went wrong, get proportionally more turns. Source: common practice of learning a piece part by part.
 */
export function planFor(parts: readonly PartToPractise[], options: PlanOptions): Plan {
  const own = parts.filter(({ sameAs }) => sameAs === null);
  const mean = own.reduce((sum, part) => sum + weightOf(part), 0) / Math.max(1, own.length);
  const all = [...own.flatMap((part) => jobsOf(part, mean, options)), ...chained(parts, options)].map((job) =>
    begunAt(job, proposedStart(job, parts, options)),
  );
  const stateOf = (job: Job): CardState | undefined => options.cards.get(job.card);
  const isDone = (job: Job): boolean => stateOf(job)?.isPassed === true;
  // Who plays both hands plays each of them: one hand alone, or only told, comes back no more once both are known.
  const isWithin = ({ kind, fromPart, fromTick }: Job): boolean =>
    (kind === 'right' || kind === 'left' || isSaid({ kind })) &&
    all.some(
      (job) =>
        job.kind === 'together' && job.fromPart === fromPart && job.fromTick === fromTick && isDone(job),
    );
  const isDue = (job: Job): boolean =>
    isDone(job) && !isWithin(job) && (stateOf(job)?.due ?? Infinity) <= options.now;
  const due = all
    .filter(isDue)
    .map((job): Job => ({ ...job, why: 'due', turns: FEWEST_TURNS, minutes: minutesOf(job, FEWEST_TURNS) }));
  const next = all
    .filter((job) => !isDone(job))
    .map((job): Job => ({ ...job, why: stateOf(job) ? 'next' : 'new' }));
  const later = all.filter((job) => isDone(job) && !isDue(job));
  const toGo = next.reduce((sum, job) => sum + minutesToPass(job, stateOf(job), options), 0);
  const isUp = next.length === 0 && parts.length > 0 && options.rung < HIGHEST_RUNG;
  const up = isUp ? [once('rung', parts, options, RUNG_MINUTES)] : [];
  const jobs: Job[] = [];
  const leftOut: { job: Job; why: 'no-time' | 'not-due' }[] = [];
  let minutes = 0;
  for (const job of warmed([...due, ...next, ...up], parts, options)) {
    if (minutes < options.minutes) {
      jobs.push(job);
      minutes += job.minutes;
    } else leftOut.push({ job, why: 'no-time' });
  }
  return {
    jobs,
    leftOut: [...leftOut, ...later.map((job) => ({ job, why: 'not-due' as const }))],
    minutes,
    toGo: { minutes: toGo, perDay: options.days ? toGo / options.days : null },
  };
}

/** A job about the whole song that is done once, and not practised. */
function once(
  kind: 'warm-up' | 'rung',
  parts: readonly PartToPractise[],
  { rung }: PlanOptions,
  minutes: number,
): Job {
  const [first, last] = [parts[0], parts[parts.length - 1]];
  return {
    id: kind,
    kind,
    fromPart: first.number,
    toPart: last.number,
    fromTick: first.fromTick,
    toTick: last.toTick,
    hands: 'both',
    rung,
    card: `${kind}|${rung}`,
    turns: SAID_TURNS,
    minutes,
    why: 'new',
    more: null,
    fromPercent: 100,
  };
}

/** The hands are warmed before the first job that is played. */
function warmed(
  jobs: readonly Job[],
  parts: readonly PartToPractise[],
  options: PlanOptions,
): readonly Job[] {
  const at = jobs.findIndex((job) => !isSaid(job));
  if (options.isWarm !== false || at < 0 || options.minutes < LEAST_FOR_WARM_UP) return jobs;
  return jobs.toSpliced(at, 0, once('warm-up', parts, options, WARM_UP_MINUTES));
}

/** Minutes until a job is passed: every step of its gate, with the turns that fail. */
function minutesToPass(job: Job, state: CardState | undefined, { gate }: PlanOptions): number {
  if (isSaid(job)) return job.minutes;
  const from = state?.tempoPercent ?? job.fromPercent;
  const steps = Math.max(0, Math.ceil((goalOf(job) - from) / gate.by)) + 1;
  const turn = job.minutes / job.turns;
  return steps * gate.turns * TURNS_A_CLEAN_ONE * turn;
}

/** How hard a part is, more where it went wrong of late. */
function weightOf({ effort, missed }: PartToPractise): number {
  return effort * (1 + missed);
}

function jobsOf(part: PartToPractise, meanWeight: number, options: PlanOptions): Job[] {
  const { rung, first } = options;
  const stretch = part.differs ?? part;
  const hands: (Hand | 'both')[] = first === 'right' ? ['right', 'left', 'both'] : ['left', 'right', 'both'];
  const present = hands.filter((hand) =>
    hand === 'both' ? part.hasRight && part.hasLeft : hand === 'right' ? part.hasRight : part.hasLeft,
  );
  const turns = turnsFor(weightOf(part), meanWeight, options.gate);
  const usual = turnsFor(meanWeight, meanWeight, options.gate);
  const byEffort = turnsFor(part.effort, meanWeight, options.gate);
  const more = turns <= usual ? null : byEffort > usual ? 'harder' : 'went-wrong';
  const job = (
    kind: JobKind,
    hand: Hand | 'both',
    times: number,
    { fromTick, toTick, seconds }: Span = stretch,
  ): Job => {
    const card = cardOf(part.cutId, hand, rung);
    const isWhole = !isSaid({ kind }) && kind !== 'hardest';
    return {
      id: `${kind} ${part.cutId} ${hand}`,
      kind,
      fromPart: part.number,
      toPart: part.number,
      fromTick,
      toTick,
      hands: hand,
      rung,
      card: isWhole ? card : `${kind}|${card}`,
      turns: times,
      minutes: minutesFor(seconds, times, options.gate.from),
      why: 'new',
      more: isSaid({ kind }) ? null : more,
      fromPercent: options.gate.from,
    };
  };
  const hardest = part.hardest ? [job('hardest', 'both', turns, part.hardest)] : [];
  return [
    job('hear', 'both', SAID_TURNS),
    ...present.flatMap((hand) =>
      hand === 'both'
        ? [job('meetings', 'both', SAID_TURNS), job('together', 'both', turns), ...hardest]
        : [job(hand, hand, turns)],
    ),
  ];
}

/** Parts put together once each is known: two and two, or from the first on one more each time; then the whole. */
function chained(parts: readonly PartToPractise[], { rung, chain, gate }: PlanOptions): Job[] {
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
      rung,
      card: cardOf(`${a.cutId}–${b.cutId}`, 'both', rung),
      turns: FEWEST_TURNS,
      minutes: minutesFor(seconds, FEWEST_TURNS, gate.from),
      why: 'new',
      more: null,
      fromPercent: gate.from,
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
  job: Job,
  parts: readonly PartToPractise[],
  { gate, cards, rung }: PlanOptions,
): number {
  const { kind } = job;
  if (kind !== 'together' && kind !== 'hardest' && kind !== 'chain' && kind !== 'whole') return gate.from;
  const among = parts.filter(({ number }) => number >= job.fromPart && number <= job.toPart);
  const tempoOf = ({ cutId, sameAs }: PartToPractise, hands: Hand | 'both'): number => {
    const own = parts.find(({ number }) => number === sameAs)?.cutId ?? cutId;
    return cards.get(cardOf(own, hands, rung))?.tempoPercent ?? gate.from;
  };
  const madeOf: readonly (Hand | 'both')[] = kind === 'together' ? ['right', 'left'] : ['both'];
  const slowest = Math.min(...among.flatMap((part) => madeOf.map((hands) => tempoOf(part, hands))));
  return Math.max(gate.from, Math.min(100, slowest) - SLOWER[kind] * gate.by);
}

/** A job that begins at a tempo: its turns take as long as they do there. */
function begunAt(job: Job, fromPercent: number): Job {
  const between = (job.turns * BETWEEN_SECONDS) / 60;
  return {
    ...job,
    fromPercent,
    minutes: between + ((job.minutes - between) * job.fromPercent) / fromPercent,
  };
}

/** Turns in proportion to the weight of a part beside the others. */
function turnsFor(weight: number, mean: number, gate: Gate): number {
  const usual = gate.turns + 1;
  return Math.max(FEWEST_TURNS, Math.min(MOST_TURNS, Math.round((usual * weight) / Math.max(1, mean))));
}

function minutesOf(job: Job, turns: number): number {
  return (job.minutes * turns) / job.turns;
}
