import { rowOf, type Turn } from '@joined-hands/core/practice';
import { turnTitle } from '@joined-hands/core/words';

/** What a spreadsheet would take for a formula and run. Marked texts are marked once more, so that each comes back as it was. */
const FORMULA = /^'*[=+\-@\t\r]/;

/** The turns as a table for a spreadsheet: texts that look like formulas are made harmless, numbers stay numbers. */
export async function logAsCsv(turns: readonly Turn[]): Promise<string> {
  const { default: papa } = await import('papaparse');
  return papa.unparse(
    turns.map((turn) => rowOf(turn, turnTitle(turn))),
    { escapeFormulae: FORMULA },
  );
}

/** The rows of such a table, by the names of its columns, each text as it was. */
export async function rowsOfCsv(text: string): Promise<Record<string, string>[]> {
  const { default: papa } = await import('papaparse');
  const asItWas = (value: string): string =>
    value.startsWith("'") && FORMULA.test(value) ? value.slice(1) : value;
  return papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: true,
    transform: asItWas,
  }).data;
}
