import { turnTitle } from '@joined-hands/core/words';
import { rowOf, type Turn } from '@joined-hands/core/practice';

/** The turns as a table for a spreadsheet. */
export async function logAsCsv(turns: readonly Turn[]): Promise<string> {
  const { default: papa } = await import('papaparse');
  return papa.unparse(turns.map((turn) => rowOf(turn, turnTitle(turn))));
}
