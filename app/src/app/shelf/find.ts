import { inEnglish, inOwnNames } from '@joined-hands/core/music';
import type { ShelfCard } from '../storage/stored';
import { plain, wordsOf } from '../ui/plain';

/** In what order songs stand on the shelf. */
export type ShelfOrder = 'opened' | 'changed' | 'title' | 'key' | 'length';

const byTitle = (a: ShelfCard, b: ShelfCard): number => a.title.localeCompare(b.title);
/** What comes first in each order; songs that are alike in it stand by title. The cards come with the one opened last first. */
const ORDERS: Record<Exclude<ShelfOrder, 'opened'>, (a: ShelfCard, b: ShelfCard) => number> = {
  changed: (a, b) => b.savedAt - a.savedAt || byTitle(a, b),
  title: byTitle,
  key: (a, b) => a.key.localeCompare(b.key) || byTitle(a, b),
  // What is not known yet comes last.
  length: (a, b) => (a.facts?.seconds ?? Infinity) - (b.facts?.seconds ?? Infinity) || byTitle(a, b),
};

/**
 * Songs that have every word of a query in their title, subtitle, version, tags, key or metre, wherever in a word; three
 * letters and more, one by one, are the beginning of a tune. Capitals and marks on letters do not matter. With a `tag`
 * only songs that have it. `found(cards, 'low a minor', 'title') // Lanterns at Low Water`
 */
export function found(
  cards: readonly ShelfCard[],
  query: string,
  order: ShelfOrder,
  tag: string | null = null,
): ShelfCard[] {
  const words = wordsOf(query);
  // Letters of a tune, as the pianist names them.
  const letters = words.map((word) => inEnglish(word).toLowerCase());
  const isTune = words.length > 2 && letters.every((word) => /^[a-g][b#]?$/.test(word));
  const isWanted = ({ title, subtitle, tags, version, opening, key, metre }: ShelfCard): boolean => {
    if (isTune) return plain(opening).startsWith(letters.join(' '));
    const text = plain([title, subtitle, version?.name, ...tags, key, inOwnNames(key), metre].join(' '));
    return words.every((word) => text.includes(word));
  };
  const wanted = cards.filter((card) => (tag === null || card.tags.includes(tag)) && isWanted(card));
  return order === 'opened' ? wanted : wanted.sort(ORDERS[order]);
}
