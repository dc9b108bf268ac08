/** So many values are remembered under each name: what is undone, or compared by going to and fro, need not be worked out. */
const VALUES_EACH = 5;

interface Made<R> {
  readonly from: readonly unknown[];
  readonly value: R;
}

/**
 * Remembers what was made under each name from different things, the latest of them, as long as what one was made from is
 * the same: by identity, lists member by member. `from` must say all that the value depends on. Up to `most` names;
 * then it begins anew.
 */
export function memoizeByKey<R>(most = 20_000): (name: string, from: readonly unknown[], make: () => R) => R {
  const made = new Map<string, Made<R>[]>();
  return (name, from, make) => {
    const values = made.get(name) ?? [];
    const at = values.findIndex(
      (known) => from.length === known.from.length && from.every((input, i) => isSame(input, known.from[i])),
    );
    if (at === 0) return values[0].value;
    if (values.length === 0 && made.size >= most) made.clear();
    const latest = at > 0 ? values[at] : { from, value: make() };
    const others = values.filter((known) => known !== latest).slice(0, VALUES_EACH - 1);
    made.set(name, [latest, ...others]);
    return latest.value;
  };
}

function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (!Array.isArray(a) || !Array.isArray(b)) return false;
  return a.length === b.length && a.every((item, i) => item === b[i]);
}

/** A list as it was when all its members are as they were, so that identity tells that nothing changed. */
function keptList<T>(before: readonly T[] | undefined, now: readonly T[]): readonly T[] {
  return before && isSame(before, now) ? before : now;
}

/** A value as it was when the new one says the same, for small plain values. */
export function keptValue<T>(before: T | undefined, now: T): T {
  return before !== undefined && JSON.stringify(before) === JSON.stringify(now) ? before : now;
}

/** What a store holds for a key; made, and held from then on, when it holds nothing. */
export function gotOrMade<K, V>(
  store: { get(key: K): V | undefined; set(key: K, value: V): unknown },
  key: K,
  make: () => V,
): V {
  let value = store.get(key);
  if (value === undefined) store.set(key, (value = make()));
  return value;
}

/** A value made when it is first asked for. */
export function lazily<T extends object>(make: () => T): () => T {
  let value: T | null = null;
  return () => (value ??= make());
}

/**
 * `next` with every field that equals the one before replaced by it, and members of lists likewise, so that identity
 * survives a copy.
 */
export function keepIdentity<T extends object>(before: T | null, next: T): T {
  if (!before) return next;
  const merged = { ...next };
  for (const field of Object.keys(next) as (keyof T)[]) merged[field] = kept(before[field], next[field]);
  return merged;
}

function kept<V>(before: V, next: V): V {
  if (!Array.isArray(before) || !Array.isArray(next)) return keptValue(before, next);
  const old = new Map(before.map((item: unknown) => [JSON.stringify(item), item]));
  const members = next.map((item: unknown) => old.get(JSON.stringify(item)) ?? item);
  return keptList(before as unknown[], members) as V;
}
