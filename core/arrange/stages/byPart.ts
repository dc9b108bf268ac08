/** Works out something of one part of a song, by its index. */
export type ByPart<T> = (index: number) => T;

/** A value for each part, made when it is first asked for. */
export function once<T>(make: ByPart<T>): ByPart<T> {
  const made: T[] = [];
  return (index) => (made[index] ??= make(index));
}

/** The same where each needs the one before. */
export function forwards<T>(make: (index: number, before: T | null) => T): ByPart<T> {
  const made: T[] = [];
  return (index) => {
    for (let at = made.length; at <= index; at++) made.push(make(at, made[at - 1] ?? null));
    return made[index];
  };
}
