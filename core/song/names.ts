import type { Song } from './schema';

/** What tells a song from its versions: `songName({ title: 'Net Mending', version: { of: 'a', name: 'for Ann' } }) // 'Net Mending · for Ann'` */
export function songName({ title, version }: Pick<Song, 'title' | 'version'>): string {
  return version ? `${title} · ${version.name}` : title;
}
