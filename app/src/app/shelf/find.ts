import { inEnglish, inOwnNames } from '@joined-hands/core/music';
import type { ShelfCard } from '../storage/stored';
import { plain, wordsOf } from '../ui/plain';

/** In what order songs stand on the shelf. */
export type ShelfOrder = 'opened' | 'title';

/**
 * Songs that have every word of a query in their title, subtitle, version, tags, key or metre, wherever in a word; three
 * letters and more, one by one, are the beginning of a tune. Capitals and marks on letters do not matter. The cards come
 * with the one opened last first. `found(cards, 'low a minor', 'title') // Lanterns at Low Water`
 */
export function found(cards: readonly ShelfCard[], query: string, order: ShelfOrder): ShelfCard[] {
  const words = wordsOf(query);
  // Letters of a tune, as the pianist names them.
  const letters = words.map((word) => inEnglish(word).toLowerCase());
  const isTune = words.length > 2 && letters.every((word) => /^[a-g][b#]?$/.test(word));
  const isWanted = ({ title, subtitle, tags, version, opening, key, metre }: ShelfCard): boolean => {
    if (isTune) return plain(opening).startsWith(letters.join(' '));
    const text = plain([title, subtitle, version?.name, ...tags, key, inOwnNames(key), metre].join(' '));
    return words.every((word) => text.includes(word));
  };
  const wanted = cards.filter(isWanted);
  return order === 'opened' ? wanted : wanted.sort((a, b) => a.title.localeCompare(b.title));
}
