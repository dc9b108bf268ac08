/**
 * Endings of the files that are read, by kind. Apart from the readers, so that a page that only shows them does not load
 * those.
 */
export const ENDINGS = {
  musicxml: ['.musicxml', '.xml'],
  mxl: ['.mxl'],
  midi: ['.mid', '.midi'],
  project: ['.joined.json', '.json'],
  chart: ['.txt', '.cho', '.chopro', '.pro'],
} as const;

export type ReadKind = keyof typeof ENDINGS;

export const READ_ENDINGS: readonly string[] = Object.values(ENDINGS).flat();

/** The kind of a file by its name; undefined where none is known. */
export function kindOf(name: string): ReadKind | undefined {
  const lower = name.toLowerCase();
  const kinds = Object.entries(ENDINGS) as [ReadKind, readonly string[]][];
  return kinds.find(([, endings]) => endings.some((ending) => lower.endsWith(ending)))?.[0];
}
