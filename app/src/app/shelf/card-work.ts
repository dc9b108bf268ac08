import { inject, Injectable } from '@angular/core';
import { applyEdit, cutTo, type Named, profileOf } from '@joined-hands/core/song';
import { HandoutStore } from '../storage/handout-store';
import { SongLock } from '../storage/song-lock';
import { type OpenedSong, SongStore } from '../storage/song-store';
import { takeAwayCopy } from '../storage/take-away';

/** Work on a song that is not open: from its card on the shelf. */
@Injectable({ providedIn: 'root' })
export class CardWork {
  private readonly songs = inject(SongStore);
  private readonly lock = inject(SongLock);
  private readonly handouts = inject(HandoutStore);

  /** Names a song anew. Throws where another tab has it open: it is named there. */
  async name(id: string, named: Named): Promise<void> {
    const holder = { handOver: () => Promise.resolve(), lost: () => undefined };
    if (!(await this.lock.take(id, holder)))
      throw new Error('it is open in another tab; change its name there, or close that tab');
    try {
      const { song, place, revision } = await this.opened(id);
      await this.songs.save(applyEdit(song, { kind: 'rename', ...named }), place, revision);
    } finally {
      this.lock.free(id);
    }
  }

  /** A copy that goes its own way; gives its title. */
  async duplicate(id: string): Promise<string> {
    const { song } = await this.opened(id);
    const title = `${cutTo(song.title, 190)} (copy)`;
    const copy = { ...song, id: crypto.randomUUID(), title, version: null };
    await this.songs.add(copy);
    await this.handouts.copy(id, copy.id);
    return title;
  }

  /** A copy that hangs under the name of the song: for a pupil, for a concert. Gives its id. */
  async newVersion(id: string, named: Named): Promise<string> {
    const { song } = await this.opened(id);
    const copy = applyEdit({ ...song, id: crypto.randomUUID() }, { kind: 'rename', ...named });
    await this.songs.add(copy);
    await this.handouts.copy(id, copy.id);
    return copy.id;
  }

  /** What a song is called and found by, and whom it is for. */
  async nameOf(id: string): Promise<Named> {
    const { title, credits, tags, version, profile, notes } = (await this.opened(id)).song;
    return { title, credits, tags, version, profile, notes };
  }

  async takeAway(id: string): Promise<void> {
    const { song } = await this.opened(id);
    takeAwayCopy(song, profileOf(song, await this.songs.profiles()));
  }

  private async opened(id: string): Promise<OpenedSong> {
    const opened = await this.songs.get(id);
    if (!opened) throw new Error('it is no longer on the shelf');
    return opened;
  }
}
