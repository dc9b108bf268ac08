// What is read of a stored record, one value at a time: null where it is not what it should be.

/** Milliseconds beyond which there is no date. */
const LAST_TIME = 8.64e15;

export function recordOf(stored: unknown): Record<string, unknown> {
  return typeof stored === 'object' && stored !== null ? (stored as Record<string, unknown>) : {};
}

export function numberOf(stored: unknown, from: number, to: number): number | null {
  return typeof stored === 'number' && stored >= from && stored <= to ? stored : null;
}

/** Milliseconds since 1970. */
export function timeOf(stored: unknown): number | null {
  return numberOf(stored, 0, LAST_TIME);
}

export function textOf(stored: unknown, most: number): string | null {
  return typeof stored === 'string' && stored.length <= most ? stored : null;
}

export function flagOf(stored: unknown): boolean | null {
  return typeof stored === 'boolean' ? stored : null;
}
