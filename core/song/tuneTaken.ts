import { barTicks } from '../music';
import { lastAtOrBefore } from './bars';
import { keepPlaces } from './keepPlaces';
import { ownBarsLater, ownBarsWithout } from './ownBars';
import type { Song } from './schema';

/**
 * The song with fields of a tune that was told, played or read in: chords, words and sections that are there stay in
 * their bars, whatever pick-up the tune has, and no bar goes that holds one of them.
 */
export function withTune(song: Song, fields: Partial<Song>): Song {
  const { pickup = song.pickup } = fields;
  const laid =
    pickup === song.pickup || fields.changes ? { ...song, ...fields } : movedBy(song, pickup, fields);
  const after = isFirstTune(song, fields)
    ? { ...laid, choices: { ...laid.choices, layout: 'block' as const } }
    : laid;
  if (fields.barCount === undefined) return after;
  return { ...after, barCount: Math.max(fields.barCount, barsHeld(after)) };
}

/** The first tune of a song that was begun as chords to sing to: from now on it is played. */
function isFirstTune({ melody, choices }: Song, fields: Partial<Song>): boolean {
  const isTold = (fields.melody?.length ?? 0) > 0;
  return melody.length === 0 && isTold && choices.layout === 'singing' && !fields.choices;
}

function movedBy(song: Song, pickup: number, fields: Partial<Song>): Song {
  const by = pickup - song.pickup;
  const moved = <T extends { readonly tick: number }>(list: readonly T[]): T[] =>
    list.map((item) => ({ ...item, tick: Math.max(0, item.tick + by) }));
  // What holds from the beginning on holds for the pick-up too.
  const later = <T extends { readonly tick: number }>(list: readonly T[]): T[] =>
    list.map((item) => (item.tick === 0 ? item : { ...item, tick: Math.max(1, item.tick + by) }));
  const changes = song.changes.flatMap((change) => {
    const end = change.tick + change.length + by;
    const tick = Math.max(0, change.tick + by);
    return end > tick ? [{ ...change, tick, length: end - tick }] : [];
  });
  const after: Song = {
    ...song,
    changes,
    words: moved(song.words),
    imported: moved(song.imported),
    ownBars: ownBarsMoved(song.ownBars, by),
    sections: later(song.sections),
    keyMap: later(song.keyMap),
    metreMap: later(song.metreMap),
    tempoMap: later(song.tempoMap),
    ...fields,
  };
  return keepPlaces(song, after, (bar) => bar);
}

/** Own bars so many ticks later, or earlier: what would come before the song is left out. */
function ownBarsMoved(list: Song['ownBars'], by: number): Song['ownBars'] {
  return by < 0 ? ownBarsWithout(list, 0, -by) : ownBarsLater(list, 0, by);
}

/** Bars up to the last in which a chord or a word begins, or a section, and up to the end of what was written by hand. */
function barsHeld({ changes, words, sections, ownBars, metreMap, pickup }: Song): number {
  const ends = ownBars.map(({ tick, length }) => tick + length - 1);
  const last = Math.max(-1, ...ends, ...[...changes, ...words, ...sections].map(({ tick }) => tick));
  let bars = 0;
  for (let tick = pickup; tick <= last; bars++) tick += barTicks(lastAtOrBefore(metreMap, tick));
  return bars;
}
