import type { ShelfCard } from '../storage/stored';
import { plain, wordsOf } from '../ui/plain';

/** In what order songs stand on the shelf. */
export type ShelfOrder = 'opened' | 'title';

/**
 * Songs that have every word of a query in their title, subtitle, key or metre, wherever in a word; capitals and marks on
 * letters do not matter. The cards come with the one opened last first. `found(cards, 'low a minor', 'title') // Lanterns at Low Water`
 */
export function found(cards: readonly ShelfCard[], query: string, order: ShelfOrder): ShelfCard[] {
  const words = wordsOf(query);
  const isWanted = ({ title, subtitle, key, metre }: ShelfCard): boolean => {
    const text = plain(`${title} ${subtitle} ${key} ${metre}`);
    return words.every((word) => text.includes(word));
  };
  const wanted = cards.filter(isWanted);
  return order === 'opened' ? wanted : wanted.sort((a, b) => a.title.localeCompare(b.title));
}
