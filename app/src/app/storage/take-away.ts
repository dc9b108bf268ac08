import { writeProject } from '@joined-hands/core/formats';
import { type Profile, type Song, songName } from '@joined-hands/core/song';
import { download, fileName } from '../ui/download';
import type { SongStore } from './song-store';

/** A song as it is on screen, stored or not, as a project file. */
export function takeAwayCopy(song: Song, profile: Profile): void {
  download(`${fileName(songName(song))}.joined.json`, writeProject({ song, profile }), 'application/json');
}

/** Whatever lies in the store under an id, as text. */
export async function takeAwayRaw(songs: SongStore, id: string, title: string): Promise<void> {
  download(`${fileName(title)}.raw.json`, await songs.raw(id), 'application/json');
}
