import type { Hand } from '../hands';
import type { Gate } from './gate';

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
  readonly differs: { readonly fromTick: number; readonly toTick: number; readonly seconds: number } | null;
  readonly hasRight: boolean;
  readonly hasLeft: boolean;
}

export type JobKind = 'hear' | 'right' | 'left' | 'meetings' | 'together' | 'chain' | 'whole';

/** Whether a job is only heard or said: there is nothing to be judged, and no tempo to reach. */
export function isSaid({ kind }: { readonly kind: JobKind }): boolean {
  return kind === 'hear' || kind === 'meetings';
}

/** One thing to practise now. */
export interface Job {
  readonly id: string;
  readonly kind: JobKind;
  /** First and last part, by number. */
  readonly fromPart: number;
  readonly toPart: number;
  readonly fromTick: number;
  readonly toTick: number;
  readonly hands: Hand | 'both';
  readonly rung: number;
  /** What it is remembered under: part, hands and rung. */
  readonly card: string;
  /** Turns it is given, and the minutes they take. */
  readonly turns: number;
  readonly minutes: number;
  /** Why it comes now. */
  readonly why: 'due' | 'next' | 'new';
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
}

export interface Plan {
  readonly jobs: readonly Job[];
  /** What did not fit, and what is not due yet. */
  readonly leftOut: readonly { readonly job: Job; readonly why: 'no time' | 'not due' }[];
  readonly minutes: number;
}

/** Overhead of a turn: finding the place, a count-in, breathing, in seconds. */
const BETWEEN_SECONDS = 6;
/** Turns of a part of usual effort; harder ones get more, easier fewer. */
const [FEWEST_TURNS, MOST_TURNS] = [2, 8];
/** Turns for something that is only heard, or said. */
const SAID_TURNS = 1;

/** What a card is remembered under. */
export function cardOf(cutId: string, hands: Hand | 'both', rung: number): string {
  return `${cutId}|${hands}|${rung}`;
}

/**
 * The jobs of a sitting: what is due first, then the next of each part in the order practitioners work (hear it, one hand,
 * the other, say the meetings, both), then parts put together, then all; as many as the minutes hold, and one that was
 * begun is finished. Harder parts get proportionally more turns. Source: common practice of learning a piece part by part.
 */
export function planFor(parts: readonly PartToPractise[], options: PlanOptions): Plan {
  const own = parts.filter(({ sameAs }) => sameAs === null);
  const mean = own.reduce((sum, { effort }) => sum + effort, 0) / Math.max(1, own.length);
  const all = [...own.flatMap((part) => jobsOf(part, mean, options)), ...chained(parts, options)];
  const stateOf = (job: Job): CardState | undefined => options.cards.get(job.card);
  const isDone = (job: Job): boolean => stateOf(job)?.isPassed === true;
  const isDue = (job: Job): boolean => isDone(job) && (stateOf(job)?.due ?? Infinity) <= options.now;
  const due = all
    .filter(isDue)
    .map((job): Job => ({ ...job, why: 'due', turns: FEWEST_TURNS, minutes: minutesOf(job, FEWEST_TURNS) }));
  const next = all
    .filter((job) => !isDone(job))
    .map((job): Job => ({ ...job, why: stateOf(job) ? 'next' : 'new' }));
  const later = all.filter((job) => isDone(job) && !isDue(job));
  const jobs: Job[] = [];
  const leftOut: { job: Job; why: 'no time' | 'not due' }[] = [];
  let minutes = 0;
  for (const job of [...due, ...next]) {
    if (minutes < options.minutes) {
      jobs.push(job);
      minutes += job.minutes;
    } else leftOut.push({ job, why: 'no time' });
  }
  return { jobs, leftOut: [...leftOut, ...later.map((job) => ({ job, why: 'not due' as const }))], minutes };
}

function jobsOf(part: PartToPractise, meanEffort: number, options: PlanOptions): Job[] {
  const { rung, first } = options;
  const stretch = part.differs ?? part;
  const hands: (Hand | 'both')[] = first === 'right' ? ['right', 'left', 'both'] : ['left', 'right', 'both'];
  const present = hands.filter((hand) =>
    hand === 'both' ? part.hasRight && part.hasLeft : hand === 'right' ? part.hasRight : part.hasLeft,
  );
  const turns = turnsFor(part.effort, meanEffort, options.gate);
  const job = (kind: JobKind, hand: Hand | 'both', times: number): Job => {
    const made = {
      id: `${kind} ${part.cutId} ${hand}`,
      kind,
      fromPart: part.number,
      toPart: part.number,
      fromTick: stretch.fromTick,
      toTick: stretch.toTick,
      hands: hand,
      rung,
      card: isSaid({ kind }) ? `${kind}|${cardOf(part.cutId, hand, rung)}` : cardOf(part.cutId, hand, rung),
      turns: times,
      why: 'new' as const,
    };
    return { ...made, minutes: minutesFor(stretch.seconds, times, options.gate.from) };
  };
  return [
    job('hear', 'both', SAID_TURNS),
    ...present.flatMap((hand) =>
      hand === 'both'
        ? [job('meetings', 'both', SAID_TURNS), job('together', 'both', turns)]
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
    };
  });
}

/** Turns in proportion to how hard a part is beside the others. */
function turnsFor(effort: number, mean: number, gate: Gate): number {
  const usual = gate.turns + 1;
  return Math.max(FEWEST_TURNS, Math.min(MOST_TURNS, Math.round((usual * effort) / Math.max(1, mean))));
}

function minutesFor(seconds: number, turns: number, tempoPercent: number): number {
  return (turns * ((seconds * 100) / tempoPercent + BETWEEN_SECONDS)) / 60;
}

function minutesOf(job: Job, turns: number): number {
  return (job.minutes * turns) / job.turns;
}
