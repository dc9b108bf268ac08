import { plain } from '../../ui/plain';

/** Something that can be found by a word, and what pressing it does. */
export interface Findable {
  readonly label: string;
  /** Where it is, or what kind of thing: "Tune", "Song". */
  readonly where: string;
  /** Other words for it. */
  readonly words: string;
  readonly run: () => void;
}

/**
 * What has every word of a query in its label, its place or its other words, each at the beginning of a word; those whose
 * label has more of them come first. Where nothing has every word, what has most of them. Without a query all, as they come.
 */
export function foundIn<T extends Omit<Findable, 'run'>>(all: readonly T[], query: string): T[] {
  const split = (text: string): string[] => plain(text).split(/[^\p{L}\p{N}#+]+/u);
  const wanted = split(query).filter(Boolean);
  const had = (text: string): number => {
    const words = split(text);
    return wanted.filter((word) => words.some((each) => each.startsWith(word))).length;
  };
  const inAll = all.map((row) => had(`${row.label} ${row.where} ${row.words}`));
  const most = Math.max(0, ...inAll);
  if (wanted.length > 0 && most === 0) return [];
  return all
    .filter((_, i) => inAll[i] === most)
    .map((row) => ({ row, inLabel: had(row.label) }))
    .sort((a, b) => b.inLabel - a.inLabel)
    .map(({ row }) => row);
}
