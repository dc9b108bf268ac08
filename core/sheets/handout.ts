import * as z from 'zod';
import '../schemas';
import { type SheetId, SHEETS } from './layOut';
import { DEFAULT_PAPER, paperSchema } from './paper';

const ids = SHEETS.map(({ id }) => id) as [SheetId, ...SheetId[]];

const handoutSchema = z.object({
  /** The sheets chosen, in their order, each once. */
  sheets: z.array(z.enum(ids)).max(ids.length),
  paper: paperSchema,
});
/** What a handout is made of. */
export type Handout = Readonly<z.infer<typeof handoutSchema>>;

export const DEFAULT_HANDOUT: Handout = { sheets: ['title', 'legend', 'parts'], paper: DEFAULT_PAPER };

/** A handout as stored; the usual one where there is none, or it is none. */
export function readHandout(value: unknown): Handout {
  const read = handoutSchema.safeParse(value);
  if (!read.success) return DEFAULT_HANDOUT;
  return { ...read.data, sheets: [...new Set(read.data.sheets)] };
}

/** A sheet is put in at the end, or taken out. */
export function withSheet({ sheets, paper }: Handout, id: SheetId, isIn: boolean): Handout {
  const others = sheets.filter((sheet) => sheet !== id);
  return { paper, sheets: isIn ? [...others, id] : others };
}

/** A sheet comes one place earlier (−1) or later (1); at either end it stays. */
export function sheetMoved({ sheets, paper }: Handout, id: SheetId, by: 1 | -1): Handout {
  const [from, to] = [sheets.indexOf(id), sheets.indexOf(id) + by];
  if (from < 0 || to < 0 || to >= sheets.length) return { sheets, paper };
  const moved = [...sheets];
  [moved[from], moved[to]] = [moved[to], moved[from]];
  return { paper, sheets: moved };
}
