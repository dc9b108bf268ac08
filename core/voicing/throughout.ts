import { BLOCKS } from '../levels';
import type { Layout, Song } from '../song';

/**
 * A song in whole chords of one layout throughout, or in one part (by the id of its cut): what is pinned, learned, chosen
 * for single chords or as close to the other hand is set aside.
 */
export function throughout(song: Song, layout: Layout, cutId: string | null): Song {
  const changes = song.changes.map((change) => ({ ...change, layout: null }));
  const settings = Object.entries(song.partSettings).map(([id, setting]) => {
    const { layout: _own, ...choices } = setting.choices;
    return [id, { ...setting, choices: cutId === null ? choices : setting.choices }] as const;
  });
  const partSettings = Object.fromEntries(settings);
  const choices = { ...song.choices, level: BLOCKS };
  const bare = { ...song, pins: [], closeHands: [], settled: [], changes, choices, partSettings };
  if (cutId === null) return { ...bare, choices: { ...choices, layout } };
  const own = partSettings[cutId] ?? { name: null, sameAs: null, choices: {} };
  return {
    ...bare,
    partSettings: { ...partSettings, [cutId]: { ...own, choices: { ...own.choices, layout } } },
  };
}
