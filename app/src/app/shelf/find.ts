import type { ShelfCard } from '../storage/stored';

/** In what order songs stand on the shelf. */
export type ShelfOrder = 'opened' | 'title';

/**
 * Songs that have every word of a query in their title, subtitle, key or metre, wherever in a word; capitals and marks on
 * letters do not matter. The cards come with the one opened last first. `found(cards, 'low a minor', 'title') // Lanterns at Low Water`
 */
export function found(cards: readonly ShelfCard[], query: string, order: ShelfOrder): ShelfCard[] {
  const words = plain(query).split(/\s+/).filter(Boolean);
  const isWanted = ({ title, subtitle, key, metre }: ShelfCard): boolean => {
    const text = plain(`${title} ${subtitle} ${key} ${metre}`);
    return words.every((word) => text.includes(word));
  };
  const wanted = cards.filter(isWanted);
  return order === 'opened' ? wanted : wanted.sort((a, b) => a.title.localeCompare(b.title));
}

/** Small letters without their marks; ♭ and ♯ as they are typed. */
function plain(text: string): string {
  return text
    .toLowerCase()
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .normalize('NFD')
    .replaceAll(/\p{Mn}/gu, '');
}
