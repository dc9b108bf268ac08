import { type Song } from './schema';

/** Bounds of a song, each said when it is passed: beyond them nothing on the screen would be of use. */
export const MOST_NOTES = 40_000;
export const MOST_CHANGES = 20_000;
/** Bars as played, repeats unfolded. */
export const MOST_PLAYED_BARS = 20_000;
/** Ticks up to which everything is computed exactly; 4,000 bars of the longest metre end before it. */
export const LAST_TICK = 200_000_000;

/**
 * What of a song that has the right shape makes no sense, as a sentence with its place; null when all does. Checked
 * once where a song comes from outside or from the store, before anything computes with it.
 */
export function meaningProblem(song: Song): string | null {
  return tooMuch(song) ?? wrongMap(song) ?? wrongOrder(song) ?? twice(song) ?? outOfTime(song);
}

function tooMuch({ melody, changes, words }: Song): string | null {
  if (melody.length > MOST_NOTES)
    return `song.melody: ${melody.length} notes, and at most ${MOST_NOTES} are worked with.`;
  if (changes.length > MOST_CHANGES)
    return `song.changes: ${changes.length} chords, and at most ${MOST_CHANGES} are worked with.`;
  return words.length > MOST_NOTES
    ? `song.words: ${words.length} syllables, and at most ${MOST_NOTES} are worked with.`
    : null;
}

/** Maps begin at tick 0 and go on in time. */
function wrongMap(song: Song): string | null {
  for (const name of ['keyMap', 'metreMap', 'tempoMap'] as const) {
    const map: readonly { readonly tick: number }[] = song[name];
    if (map[0].tick !== 0) return `song.${name}.0.tick: it begins at ${map[0].tick}, not at 0.`;
    const at = map.findIndex((entry, i) => i > 0 && entry.tick <= map[i - 1].tick);
    if (at >= 0) return `song.${name}.${at}.tick: it does not come after the entry before it.`;
  }
  return null;
}

/** Spans of the playing order run forwards inside the song and do not add up to more than can be played. */
function wrongOrder({ playingOrder, barCount, pickup }: Song): string | null {
  const first = pickup > 0 ? 0 : 1;
  let total = 0;
  for (const [i, { fromBar, toBar }] of playingOrder.entries()) {
    const place = `song.playingOrder.${i}`;
    if (toBar < fromBar) return `${place}: it goes from bar ${fromBar} back to bar ${toBar}.`;
    if (toBar > barCount || fromBar > barCount)
      return `${place}: bar ${Math.max(fromBar, toBar)} is past the last, bar ${barCount}.`;
    if (toBar < first) return `${place}: there is no bar ${toBar}.`;
    total += toBar - Math.max(first, fromBar) + 1;
    if (total > MOST_PLAYED_BARS)
      return `${place}: played out the song has more than ${MOST_PLAYED_BARS.toLocaleString('en')} bars.`;
  }
  return null;
}

/** Ids are given once. */
function twice(song: Song): string | null {
  const { melody, changes, sections, cuts, patterns } = song;
  for (const [name, list] of Object.entries({ melody, changes, sections, cuts, patterns })) {
    const seen = new Set<string>();
    for (const [i, { id }] of list.entries()) {
      if (seen.has(id)) return `song.${name}.${i}.id: “${id.slice(0, 60)}” is given twice.`;
      seen.add(id);
    }
  }
  return null;
}

function outOfTime(song: Song): string | null {
  for (const name of ['melody', 'changes', 'words', 'sections', 'cuts'] as const) {
    const list: readonly { readonly tick: number; readonly length?: number }[] = song[name];
    const late = list.findIndex(({ tick, length = 0 }) => tick + length > LAST_TICK);
    if (late >= 0) return `song.${name}.${late}: it ends later than any song of ${song.barCount} bars.`;
  }
  return null;
}

/** The lists of a song in time: a file may hold them in any order, and everything after counts on it. */
export function inOrder(song: Song): Song {
  return {
    ...song,
    melody: sorted(song.melody, (note) => (note.grace ? 0 : 1)),
    changes: sorted(song.changes),
    words: sorted(song.words),
    sections: sorted(song.sections),
    cuts: sorted(song.cuts),
  };
}

function sorted<T extends { readonly tick: number }>(
  list: readonly T[],
  then: (item: T) => number = () => 0,
): T[] {
  const isSorted = list.every(
    (item, i) => i === 0 || list[i - 1].tick < item.tick || list[i - 1].tick === item.tick,
  );
  return isSorted ? (list as T[]) : [...list].sort((a, b) => a.tick - b.tick || then(a) - then(b));
}
