import type { Hand } from '../hands';

/** A stretch of the played song, and how long it lasts at the goal tempo. */
export interface Span {
  readonly fromTick: number;
  readonly toTick: number;
  readonly seconds: number;
}

/** What there is to do, in the order practitioners work. */
export const JOB_KINDS = [
  'hear',
  'warm-up',
  'right',
  'left',
  'meetings',
  'together',
  'hardest',
  'chain',
  'whole',
  'rung',
  'spot',
] as const;
export type JobKind = (typeof JOB_KINDS)[number];

const SAID: ReadonlySet<JobKind> = new Set(['hear', 'warm-up', 'meetings', 'rung']);

/** Whether a job is only heard, said or decided: there is nothing to be judged, and no tempo to reach. */
export function isSaid({ kind }: { readonly kind: JobKind }): boolean {
  return SAID.has(kind);
}

/** Whether a job is about a stretch of the song, to be heard and played; a warm-up and a rung are not. */
export function isOfSong({ kind }: { readonly kind: JobKind }): boolean {
  return kind !== 'warm-up' && kind !== 'rung';
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
  /** Why it has more turns than others; null where it has not. */
  readonly more: 'harder' | 'went-wrong' | null;
  /** Percent of the tempo it begins at when it is new: what it is made of decides. */
  readonly fromPercent: number;
}

/** What a card is remembered under. */
export function cardOf(cutId: string, hands: Hand | 'both', rung: number): string {
  return `${cutId}|${hands}|${rung}`;
}

/** Overhead of a turn: finding the place, a count-in, breathing, in seconds. */
export const BETWEEN_SECONDS = 6;
/** Minutes of so many turns at a share of the goal tempo, with what is between them. */
export function minutesFor(seconds: number, turns: number, tempoPercent: number): number {
  return (turns * ((seconds * 100) / tempoPercent + BETWEEN_SECONDS)) / 60;
}

/** The share of the tempo at which a job is passed: parts that are only put together go on where they begin, all else at the goal. */
export function goalOf({ kind, fromPercent }: Pick<Job, 'kind' | 'fromPercent'>): number {
  return kind === 'chain' ? fromPercent : 100;
}
