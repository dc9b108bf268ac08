/**
 * Places in a tune, those that go alike side by side. Stretches of the list are parted further where it lies: there are
 * many of them, most are short, and a list for each would cost more than all else.
 */
export class Alike {
  private readonly order: Int32Array;
  private readonly parted: Int32Array;
  /** Which run a name has within the stretch that is being parted, by the name; −1 for none. */
  private readonly runOf: Int32Array;

  /** Of so many places. Names that part them are whole numbers from 0 to that number. */
  constructor(count: number) {
    this.order = Int32Array.from({ length: count }, (_, i) => i);
    this.parted = new Int32Array(count);
    this.runOf = new Int32Array(2 * count + 1).fill(-1);
  }

  at(index: number): number {
    return this.order[index];
  }

  some(from: number, to: number, is: (place: number) => boolean): boolean {
    for (let at = from; at < to; at++) if (is(this.order[at])) return true;
    return false;
  }

  /** Whether all of a stretch have one name `on` places further. */
  isOne(from: number, to: number, names: Int32Array, on: number): boolean {
    const first = nameAt(names, this.order[from] + on);
    return !this.some(from + 1, to, (place) => nameAt(names, place + on) !== first);
  }

  /**
   * Parts a stretch into runs of one name `on` places further, in the order in which the names first come, each in the
   * order it was in; gives where each run ends. `on` is no more than the number of places. O(n) for n of them.
   */
  part(from: number, to: number, names: Int32Array, on: number): number[] {
    const { order, parted, runOf } = this;
    const lengths: number[] = [];
    const met: number[] = [];
    for (let at = from; at < to; at++) {
      const name = nameAt(names, order[at] + on);
      if (runOf[name] < 0) {
        runOf[name] = met.length;
        met.push(name);
        lengths.push(0);
      }
      lengths[runOf[name]]++;
    }
    let end = from;
    const next = lengths.map((length) => (end += length) - length);
    if (next.length > 1) {
      for (let at = from; at < to; at++) parted[next[runOf[nameAt(names, order[at] + on)]]++] = order[at];
      for (let at = from; at < to; at++) order[at] = parted[at];
    }
    for (const name of met) runOf[name] = -1;
    return lengths.length > 1 ? next : [to];
  }
}

/** A name from a list; past its end one that no other has: nothing is like the end. */
function nameAt(names: Int32Array, at: number): number {
  return at < names.length ? names[at] : at + 1;
}
