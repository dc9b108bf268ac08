import type { Hand } from '../hands';

/** A stretch of the played song, and how long it lasts at the full tempo. */
export interface Span {
  readonly fromTick: number;
  readonly toTick: number;
  readonly seconds: number;
}

/** What there is to do, in the order practitioners work. */
export const TASK_KINDS = [
  'hear',
  'warm-up',
  'right',
  'left',
  'meetings',
  'together',
  'hardest',
  'chain',
  'whole',
  'level',
  'spot',
] as const;
export type TaskKind = (typeof TASK_KINDS)[number];

const SAID: ReadonlySet<TaskKind> = new Set(['hear', 'warm-up', 'meetings', 'level']);

/** Whether a task is only heard, said or decided: there is nothing to be judged, and no tempo to reach. */
export function isSaid({ kind }: { readonly kind: TaskKind }): boolean {
  return SAID.has(kind);
}

/** Whether a task is about a stretch of the song, to be heard and played; a warm-up and a level are not. */
export function isOfSong({ kind }: { readonly kind: TaskKind }): boolean {
  return kind !== 'warm-up' && kind !== 'level';
}

/** Whether a task is to play one part, all of it, with some hands. */
export function isPlayedPart(
  { kind, fromPart, toPart, hands }: Pick<Task, 'kind' | 'fromPart' | 'toPart' | 'hands'>,
  part: number,
  chosen: Hand | 'both',
): boolean {
  return fromPart === part && toPart === part && hands === chosen && !isSaid({ kind }) && kind !== 'hardest';
}

/** One thing to practise now. */
export interface Task {
  readonly id: string;
  readonly kind: TaskKind;
  /** First and last part, by number. */
  readonly fromPart: number;
  readonly toPart: number;
  readonly fromTick: number;
  readonly toTick: number;
  readonly hands: Hand | 'both';
  readonly level: number;
  /** What it is remembered under: part, hands and level. */
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
export function cardOf(cutId: string, hands: Hand | 'both', level: number): string {
  return `${cutId}|${hands}|${level}`;
}

/** Overhead of a turn: finding the place, a count-in, breathing, in seconds. */
export const BETWEEN_SECONDS = 6;
/** Minutes of so many turns at a share of the full tempo, with what is between them. */
export function minutesFor(seconds: number, turns: number, tempoPercent: number): number {
  return (turns * ((seconds * 100) / tempoPercent + BETWEEN_SECONDS)) / 60;
}

/** The share of the tempo at which a task is passed: parts that are only put together go on where they begin, all else at the goal. */
export function lastPercentOf({ kind, fromPercent }: Pick<Task, 'kind' | 'fromPercent'>): number {
  return kind === 'chain' ? fromPercent : 100;
}
