import { inject, Injectable } from '@angular/core';
import { readCard } from './card';
import { Database } from './database';
import { dropDraft } from './drafts';
import { clearWritten } from './journal';
import type { ShelfCard } from './stored';

/** Days a deleted song can be put back. */
export const BIN_DAYS = 30;
const DAY_MS = 86_400_000;

/** Room that a song takes with all that belongs to it, in bytes. */
export interface SongSize {
  readonly all: number;
  /** Of it the pianist's own recording. */
  readonly recording: number;
}

/**
 * Deleted songs. Deleting marks the card and moves nothing: song, practice and recording stay as they are, another tab
 * goes on writing the song, and putting it back takes off the mark alone. Who edits a song that is in the bin brings it
 * back.
 */
@Injectable({ providedIn: 'root' })
export class Bin {
  private readonly database = inject(Database);

  /** Marks a song as deleted. */
  async delete(card: ShelfCard, now = Date.now()): Promise<void> {
    const { cards } = this.database;
    // A card that could not be stored is one now.
    if ((await cards.update(card.id, { deletedAt: now })) === 0) await cards.put({ ...card, deletedAt: now });
  }

  /** Takes the mark off a song, as it is now; false where there is no such song any more. */
  putBack(id: string): Promise<boolean> {
    const { cards, songs } = this.database;
    return this.database.transaction('rw', cards, songs, async () => {
      await cards.update(id, { deletedAt: null });
      return (await songs.get(id)) !== undefined;
    });
  }

  /** Whether a song is in the bin. */
  async has(id: string): Promise<boolean> {
    return Boolean(readCard(await this.database.cards.get(id))?.deletedAt);
  }

  /** Deletes songs that are in the bin, and all that belongs to them, for good: what they held is free. */
  async empty(ids: readonly string[]): Promise<void> {
    for (const id of ids)
      await this.database.transaction('rw', this.database.tables, async () => {
        // Put back meanwhile, or brought back by an edit in another tab.
        if (!(await this.has(id))) return;
        const { songs, cards, recordings, settings } = this.database;
        for (const table of this.ofSongs()) await table.where('songId').equals(id).delete();
        await Promise.all([songs.delete(id), cards.delete(id), recordings.delete(id)]);
        await settings.bulkDelete([`ready ${id}`, `handout ${id}`]);
        clearWritten(id);
        dropDraft(id);
      });
  }

  /** Empties the bin of what has lain there for thirty days. */
  async purge(now = Date.now()): Promise<void> {
    const cards = await this.database.cards.toArray();
    const old = cards.flatMap((stored) => {
      const card = readCard(stored);
      return card?.deletedAt && now - card.deletedAt > BIN_DAYS * DAY_MS ? [card.id] : [];
    });
    await this.empty(old);
  }

  /** The room a song takes. */
  async sizeOf(id: string): Promise<SongSize> {
    const { songs, cards, recordings } = this.database;
    const rows: unknown[] = [(await songs.get(id))?.song, await cards.get(id)];
    for (const table of this.ofSongs()) rows.push(...(await table.where('songId').equals(id).toArray()));
    const audio: unknown = (await recordings.get(id))?.audio;
    const recording = audio instanceof Blob ? audio.size : 0;
    const bytes = new TextEncoder();
    return { recording, all: rows.reduce<number>((sum, row) => sum + sizeOfRow(row, bytes), recording) };
  }

  private ofSongs() {
    const { turns, standings, takes, jottings } = this.database;
    return [turns, standings, takes, jottings] as const;
  }
}

function sizeOfRow(row: unknown, bytes: TextEncoder): number {
  if (row === undefined) return 0;
  return bytes.encode(typeof row === 'string' ? row : JSON.stringify(row)).length;
}

/** Whole days until a song in the bin is gone. `daysLeft(now - 29.5 days) // 1` */
export function daysLeft(deletedAt: number, now = Date.now()): number {
  return Math.max(0, Math.ceil((deletedAt + BIN_DAYS * DAY_MS - now) / DAY_MS));
}
