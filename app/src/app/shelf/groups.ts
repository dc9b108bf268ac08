import { inOwnNames } from '@joined-hands/core/music';
import { formatDistanceToNow } from 'date-fns';
import type { ShelfCard } from '../storage/stored';

/** A card as it is shown. */
export interface Card {
  readonly card: ShelfCard;
  readonly facts: readonly { readonly name: string; readonly value: string }[];
  readonly opened: string;
  /** The other versions of the song, under the same name. */
  readonly versions: readonly ShelfCard[];
}

/** Versions of one song under its name: the song itself first, where it is among them. */
export function inGroups(cards: readonly ShelfCard[]): Card[] {
  const groups = new Map<string, ShelfCard[]>();
  for (const card of cards) groups.set(groupOf(card), [...(groups.get(groupOf(card)) ?? []), card]);
  return [...groups.values()].map((group) => {
    const first = group.find(({ version }) => version === null) ?? group[0];
    return { ...shown(first), versions: group.filter((card) => card !== first) };
  });
}

/** The song a card is a version of, or its own. */
export function groupOf({ id, version }: ShelfCard): string {
  return version?.of ?? id;
}

/** What a card says of its song. */
function shown(card: ShelfCard): Omit<Card, 'versions'> {
  const { openedAt, facts } = card;
  const { seconds } = facts ?? { seconds: null };
  const length =
    seconds === null ? '…' : `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  return {
    card,
    facts: [
      { name: 'Key', value: inOwnNames(card.key) },
      { name: 'Metre', value: card.metre },
      { name: 'Bars', value: String(card.bars) },
      { name: 'Parts', value: facts ? String(facts.parts) : '…' },
      { name: 'Length', value: length },
    ],
    opened:
      openedAt === null ? 'Not opened yet' : `Opened ${formatDistanceToNow(openedAt, { addSuffix: true })}`,
  };
}
