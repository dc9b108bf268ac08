import { plain, wordsOf } from '../../ui/plain';

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
 * label has them all come first. Without a query all, as they come.
 */
export function foundIn<T extends Omit<Findable, 'run'>>(all: readonly T[], query: string): T[] {
  const wanted = wordsOf(query);
  const has = (text: string): boolean => {
    const words = plain(text).split(/[^\p{L}\p{N}#+]+/u);
    return wanted.every((word) => words.some((each) => each.startsWith(word)));
  };
  const byLabel = all.filter(({ label }) => has(label));
  const others = all.filter((row) => !byLabel.includes(row) && has(`${row.label} ${row.where} ${row.words}`));
  return [...byLabel, ...others];
}
