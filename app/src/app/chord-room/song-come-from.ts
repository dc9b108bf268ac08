import { inject, Injectable } from '@angular/core';
import type { Key } from '@joined-hands/core/music';
import type { Progression } from '@joined-hands/core/parts';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { SongStore } from '../storage/song-store';
import { Problems } from '../ui/problems';
import { Asker } from '../workers/asker';

/** What the chord room takes from the song one came from. */
interface SongComeFrom {
  readonly title: string;
  readonly key: Key;
  readonly progressions: readonly Progression[];
}

/** Reads the song the chord room is come to from. */
@Injectable({ providedIn: 'root' })
export class SongsComeFrom {
  private readonly songs = inject(SongStore);
  private readonly asker = inject(Asker);
  private readonly problems = inject(Problems);

  /** Null where there is no such song, or none that can be read, which is said. */
  async read(id: string): Promise<SongComeFrom | null> {
    try {
      return await this.readWhole(id);
    } catch (error) {
      this.problems.say('The key and the progressions of the song could not be read', error);
      return null;
    }
  }

  private async readWhole(id: string): Promise<SongComeFrom | null> {
    const stored = await this.songs.get(id);
    if (!stored) return null;
    const { title, keyMap } = stored.song;
    const progressions = await this.asker.ask(stored.song, DEFAULT_PROFILE, { kind: 'progressions' });
    return { title, key: { tonic: keyMap[0].tonic, mode: keyMap[0].mode }, progressions };
  }
}
