import type { Song } from './schema';

/** What a field of a song has become: a value, or a list between what is the same at both ends. */
type Field =
  | { readonly value: unknown }
  | { readonly length: number; readonly from: number; readonly added: readonly unknown[] };

/** How one song differs from another, by field; as little of it as there is. */
export type Difference = Readonly<Record<string, Field>>;

/**
 * How a song differs from an earlier state of it. What an edit does not touch is the very same object, so that even of
 * a long song a small edit is a small difference.
 */
export function differenceOf(before: Song, now: Song): Difference {
  const fields = Object.keys({ ...before, ...now }) as (keyof Song)[];
  const changed = fields.filter((key) => before[key] !== now[key]);
  return Object.fromEntries(changed.map((key) => [key, fieldOf(before[key], now[key])]));
}

function fieldOf(before: unknown, now: unknown): Field {
  if (!Array.isArray(before) || !Array.isArray(now)) return { value: now };
  const least = Math.min(before.length, now.length);
  let from = 0;
  while (from < least && before[from] === now[from]) from++;
  let same = 0;
  while (same < least - from && before[before.length - 1 - same] === now[now.length - 1 - same]) same++;
  return { length: before.length - same, from, added: now.slice(from, now.length - same) };
}

/** The later song, from the earlier one as it was stored; it is checked where it is opened. */
export function withDifference(before: Song, difference: Difference): unknown {
  const fields = Object.entries(difference).map(([key, field]) => {
    if ('value' in field) return [key, field.value];
    const list = before[key as keyof Song] as unknown as readonly unknown[];
    return [key, [...list.slice(0, field.from), ...field.added, ...list.slice(field.length)]];
  });
  return { ...before, ...Object.fromEntries(fields) };
}
