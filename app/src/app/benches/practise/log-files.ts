import { readRecord, turnsOfRows } from '@joined-hands/core/practice';
import { counted } from '@joined-hands/core/words';
import { rowsOfCsv } from '../../storage/log-csv';

/** A log read from a file, or why it is none. */
type LogRead =
  | { readonly record: NonNullable<ReturnType<typeof readRecord>>['record']; readonly refused: number }
  | { readonly problem: string };

/** A log from a table of this program, or from a project file. */
export async function logFrom(file: File, songId: string): Promise<LogRead> {
  const nothing = `${file.name}: this is no practice log. Choose a .csv exported here, or a .joined.json. Nothing was changed.`;
  const text = await file.text();
  if (/\.json$/i.test(file.name)) {
    try {
      const read = readRecord((JSON.parse(text) as { practice?: unknown }).practice);
      return read ?? { problem: nothing };
    } catch (error) {
      if (!(error instanceof SyntaxError)) throw error;
      return { problem: `${file.name}: it is damaged or cut short. Nothing was changed.` };
    }
  }
  const { turns, refused } = turnsOfRows(await rowsOfCsv(text), songId);
  if (turns.length === 0) return { problem: nothing };
  return { record: { turns, standings: [], jottings: [] }, refused };
}

/** What came of reading a log: "12 turns were added; 3 lines could not be read." */
export function readInWords(added: number, of: number, refused: number): string {
  const known = of - added;
  const also = known === 0 ? '' : `; ${counted(known, 'turn')} ${known === 1 ? 'was' : 'were'} here already`;
  const lost = refused === 0 ? '' : `; ${counted(refused, 'line')} could not be read`;
  return `${counted(added, 'turn')} ${added === 1 ? 'was' : 'were'} added${also}${lost}.`;
}
