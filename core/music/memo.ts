/**
 * Remembers the last result of a pure function: called again with the same inputs (by identity) it gives
 * the same value without working it out. The song keeps the identity of what an edit did not touch.
 */
export function rememberLast<A extends readonly unknown[], R>(
  work: (...inputs: A) => R,
): (...inputs: A) => R {
  let last: { readonly inputs: A; readonly result: R } | null = null;
  return (...inputs: A): R => {
    if (!last || !inputs.every((input, i) => input === last?.inputs[i]))
      last = { inputs, result: work(...inputs) };
    return last.result;
  };
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

/**
 * Remembers what a pure function made under each name, up to so many; then it begins anew. The name must say all that
 * the value depends on.
 */
export function rememberMany<T>(most: number): (name: string, make: () => T) => T {
  const made = new Map<string, T>();
  return (name, make) => {
    if (made.size >= most && !made.has(name)) made.clear();
    return gotOrMade(made, name, make);
  };
}

/** `next` with every field that equals the one before replaced by it, so that identity survives a copy. */
export function keepIdentity<T extends object>(before: T | null, next: T): T {
  if (!before) return next;
  const merged = { ...next };
  for (const field of Object.keys(next) as (keyof T)[]) {
    if (JSON.stringify(before[field]) === JSON.stringify(next[field])) merged[field] = before[field];
  }
  return merged;
}
