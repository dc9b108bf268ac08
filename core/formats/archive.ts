import { strToU8, zipSync } from 'fflate';

/** Zip archives carry a date; a fixed one makes the same files the same archive. */
export const FIXED_DATE = new Date(1980, 0, 1);

/** Files in one zip archive. A name that is taken already gets a number: nothing is left out. */
export function archiveOf(
  files: readonly { readonly name: string; readonly content: string | Uint8Array }[],
): Uint8Array {
  const entries: Record<string, Uint8Array> = {};
  for (const { name, content } of files)
    entries[freeName(name, entries)] = typeof content === 'string' ? strToU8(content) : content;
  return zipSync(entries, { mtime: FIXED_DATE });
}

function freeName(name: string, taken: Readonly<Record<string, unknown>>): string {
  if (!Object.hasOwn(taken, name)) return name;
  const dot = name.indexOf('.', name.lastIndexOf('/') + 1);
  const [stem, ending] = dot < 0 ? [name, ''] : [name.slice(0, dot), name.slice(dot)];
  for (let count = 2; ; count++) {
    const other = `${stem}-${count}${ending}`;
    if (!Object.hasOwn(taken, other)) return other;
  }
}
