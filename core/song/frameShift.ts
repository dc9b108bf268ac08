import { writtenBars } from './bars';
import { ownBarsLater } from './ownBars';
import type { Song } from './schema';

/** What of a song lies in time. */
export type Moved = Pick<
  Song,
  | 'melody'
  | 'changes'
  | 'words'
  | 'sections'
  | 'imported'
  | 'ownBars'
  | 'keyMap'
  | 'metreMap'
  | 'tempoMap'
  | 'cuts'
  | 'partSettings'
  | 'settled'
>;

/**
 * Everything from a tick on, so many ticks later (earlier when negative): what is written from a written tick, where
 * parts begin from a played one. Maps keep what holds at the beginning.
 */
export function shifted(
  song: Song,
  from: { readonly written: number; readonly played: number },
  by: number,
  stable: ReadonlySet<string>,
  firstCut: string | null,
): Moved {
  const later = <T extends { readonly tick: number }>(list: readonly T[]): T[] =>
    list.map((item) => (item.tick >= from.written ? { ...item, tick: item.tick + by } : item));
  const laterMap = <T extends { readonly tick: number }>(map: readonly T[]): T[] =>
    map.map((entry) =>
      entry.tick > 0 && entry.tick >= from.written ? { ...entry, tick: entry.tick + by } : entry,
    );
  // A part nobody has cut is known by the tick of the cut proposed there; the first by its own.
  const idAfter = (id: string): string => {
    if (id === 'cut0') return firstCut ?? id;
    const tick = /^cut(\d+)$/.exec(id)?.[1];
    if (tick === undefined || stable.has(id)) return id;
    return Number(tick) >= from.played ? `cut${Number(tick) + by}` : id;
  };
  return {
    melody: later(song.melody),
    changes: later(song.changes),
    words: later(song.words),
    sections: later(song.sections),
    imported: later(song.imported),
    ownBars: ownBarsLater(song.ownBars, from.written, by),
    keyMap: laterMap(song.keyMap),
    metreMap: laterMap(song.metreMap),
    tempoMap: laterMap(song.tempoMap),
    cuts: song.cuts.map((cut) => (cut.tick >= from.played ? { ...cut, tick: cut.tick + by } : cut)),
    partSettings: Object.fromEntries(
      Object.entries(song.partSettings).map(([id, settings]) => [
        idAfter(id),
        { ...settings, sameAs: settings.sameAs === null ? null : idAfter(settings.sameAs) },
      ]),
    ),
    settled: song.settled.map((part) => ({ ...part, cutId: idAfter(part.cutId) })),
  };
}

/** By time. */
export function inOrder<T extends { readonly tick: number }>(list: readonly T[]): T[] {
  return [...list].sort((a, b) => a.tick - b.tick);
}

/** The written tick at which a song ends. */
export function endOf(song: Song): number {
  const { tick, length } = writtenBars(song).at(-1) ?? { tick: 0, length: 0 };
  return tick + length;
}
