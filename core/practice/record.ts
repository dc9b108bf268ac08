import * as z from 'zod';
import { renamed } from '../schemas';
import type { Turn } from './log';
import { TASK_KINDS } from './task';
import type { Known } from './standing';
import { TROUBLE_KINDS } from './troubles';

const hand = z.enum(['right', 'left']);
const percent = z.number().min(1).max(400);
const partNumber = z.number().int().min(1).max(20_000);
/** Milliseconds that are a date. */
const time = z.number().int().min(0).max(8.64e15);
const count = z.number().int().min(0).max(1_000_000);

/** A turn or a standing as it was kept before: a level was a "rung". */
function ofToday(stored: unknown): unknown {
  const read = renamed(stored, { rung: 'level' }) as { kind?: unknown; card?: unknown } | null;
  if (typeof read !== 'object' || read === null) return read;
  const { kind, card } = read;
  return {
    ...read,
    ...(kind === 'rung' ? { kind: 'level' } : {}),
    ...(typeof card === 'string' ? { card: card.replace(/^rung\|/, 'level|') } : {}),
  };
}

const turnShape = z.object({
  songId: z.string().max(200),
  at: time,
  card: z.string().min(1).max(300),
  kind: z.enum(TASK_KINDS),
  fromPart: partNumber.optional(),
  toPart: partNumber.optional(),
  what: z.string().max(200).optional(),
  hands: z.enum(['right', 'left', 'both']),
  level: z.number().int().min(1).max(7),
  tempoPercent: percent,
  isClean: z.boolean(),
  cleanShare: z.number().min(0).max(1).nullable(),
  apart: z.number().min(-3600).max(3600).nullable(),
  seconds: z.number().min(0).max(86_400),
  slips: z
    .array(
      z.object({
        from: z.string().max(200),
        after: z.number().int().min(-1_000_000).max(1_000_000),
        midi: z.number().int().min(0).max(127),
        hand,
        kind: z.enum(TROUBLE_KINDS),
      }),
    )
    .max(200)
    .optional(),
});
/** A turn as it is kept. */
export const turnSchema = z.preprocess(ofToday, turnShape);

const standingSchema = z.object({
  tempoPercent: percent,
  clean: count,
  missed: count,
  isPassed: z.boolean(),
});

const cardSchema = z.object({
  due: time,
  stability: z.number().min(0).max(1e6),
  difficulty: z.number().min(0).max(10),
  reps: count,
  lapses: count,
  state: z.number().int().min(0).max(3),
  lastReview: time.nullable(),
  scheduledDays: z.number().min(0).max(1e6),
  learningSteps: count,
});

/** Something the pianist wrote down about practising. */
export interface Jotting {
  readonly at: number;
  readonly text: string;
}

/** Where one stands with a card, as it is taken along. */
export interface CardRecord extends Known {
  readonly card: string;
}

/** What was practised of one song, as it goes along with it. */
export interface PracticeRecord {
  readonly turns: readonly Turn[];
  readonly standings: readonly CardRecord[];
  readonly jottings: readonly Jotting[];
}

const list = z.array(z.unknown());
const recordSchema = z.object({ turns: list, standings: list, jottings: list.optional() });
/** Where one stands with a card, as it is kept. */
export const cardRecordSchema = z.preprocess(
  ofToday,
  z.object({ card: z.string().min(1).max(300), standing: standingSchema, review: cardSchema.nullable() }),
);
/** Something written down, as it is kept. */
export const jottingSchema = z.object({ at: time, text: z.string().min(1).max(2000) });

/** A take as it was played. */
export const takeSchema = z.object({
  songId: z.string(),
  at: time,
  bySound: z.boolean().optional(),
  events: z
    .array(
      z.object({
        seconds: z.number().min(-3600).max(86_400),
        midi: z.number().int().min(0).max(127),
        velocity: z.number().min(0).max(127),
      }),
    )
    .min(1),
});

/** A record that was read, and how much of it could not be. */
interface ReadRecord {
  readonly record: PracticeRecord;
  readonly refused: number;
}

/** What a file says was practised; each entry that is none is left out and counted. Null where it says nothing at all. */
export function readRecord(value: unknown): ReadRecord | null {
  const outer = recordSchema.safeParse(value);
  if (!outer.success) return null;
  const { data } = outer;
  const turns = good(turnSchema, data.turns);
  const standings = good(cardRecordSchema, data.standings);
  const jottings = good(jottingSchema, data.jottings ?? []);
  const all = data.turns.length + data.standings.length + (data.jottings?.length ?? 0);
  const record = { turns, standings, jottings };
  return { record, refused: all - turns.length - standings.length - jottings.length };
}

function good<T>(schema: z.ZodType<T>, entries: readonly unknown[]): T[] {
  return entries.flatMap((entry) => {
    const read = schema.safeParse(entry);
    return read.success ? [read.data] : [];
  });
}

/** A turn as a row of a table, with its name: what a spreadsheet shows. Slips stay with the project file. */
export function rowOf(
  { at, card, kind, fromPart, toPart, slips: _slips, songId: _song, ...turn }: Turn,
  what: string,
): Record<string, unknown> {
  return {
    at: new Date(at).toISOString(),
    card,
    kind,
    fromPart: fromPart ?? null,
    toPart: toPart ?? null,
    ...turn,
    what,
  };
}

/** Rows of a table as turns at a song; those that are none are counted. */
export function turnsOfRows(
  rows: readonly Readonly<Record<string, string>>[],
  songId: string,
): { readonly turns: Turn[]; readonly refused: number } {
  const number = (text: string | undefined): number | null =>
    text === undefined || text.trim() === '' ? null : Number(text);
  const read = rows.map(({ what, fromPart, toPart, ...row }) => ({
    ...row,
    // Its name is told by its parts; one without them keeps the name it had.
    ...(number(fromPart) === null ? { what } : { fromPart: number(fromPart), toPart: number(toPart) }),
    songId,
    at: Date.parse(row['at'] ?? ''),
    level: number(row['level'] ?? row['rung']),
    tempoPercent: number(row['tempoPercent']),
    isClean: row['isClean'] === 'true' ? true : row['isClean'] === 'false' ? false : null,
    cleanShare: number(row['cleanShare']),
    apart: number(row['apart']),
    seconds: number(row['seconds']),
  }));
  const turns = good(turnSchema, read);
  return { turns, refused: rows.length - turns.length };
}

/** Turns that are not among those known: the same card at the same time is the same turn. */
export function newTurns(turns: readonly Turn[], known: readonly Turn[]): Turn[] {
  const name = ({ at, card }: Turn): string => `${at} ${card}`;
  const names = new Set(known.map(name));
  return turns.filter((turn) => {
    const isNew = !names.has(name(turn));
    names.add(name(turn));
    return isNew;
  });
}
