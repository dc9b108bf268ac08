import { barTicks, metreName, midiOf, nameOf, type Pitch } from '../music';
import { writtenBars } from './bars';
import { wrongAt } from './issues';
import { type Song } from './schema';

/** Bounds of a song, each said when it is passed: beyond them nothing on the screen would be of use. */
export const MOST_NOTES = 40_000;
export const MOST_CHANGES = 20_000;
/** Bars as played, repeats unfolded. */
export const MOST_PLAYED_BARS = 20_000;
/** Ticks up to which everything is computed exactly: six times 4,000 bars of 4/4. */
export const LAST_TICK = 100_000_000;

/**
 * What of a song that has the right shape makes no sense, as a sentence with its place; null when all does. Checked
 * once where a song comes from outside or from the store, before anything computes with it.
 */
export function meaningProblem(song: Song): string | null {
  return (
    tooMuch(song) ?? wrongMap(song) ?? wrongOrder(song) ?? twice(song) ?? outOfTime(song) ?? outOfKeys(song)
  );
}

function tooMuch({ melody, changes, words, ownBars }: Song): string | null {
  const more = (list: readonly unknown[], most: number, what: string): string | null =>
    list.length > most
      ? `It has ${inThousands(list.length)} ${what}, and at most ${inThousands(most)} are worked with.`
      : null;
  return (
    more(melody, MOST_NOTES, 'notes') ??
    more(changes, MOST_CHANGES, 'chords') ??
    more(words, MOST_NOTES, 'syllables') ??
    more(
      ownBars.flatMap(({ notes }) => notes),
      MOST_NOTES,
      'notes of your own',
    )
  );
}

/** Maps begin at tick 0 and go on in time. */
function wrongMap(song: Song): string | null {
  for (const name of ['keyMap', 'metreMap', 'tempoMap'] as const) {
    const map: readonly { readonly tick: number }[] = song[name];
    if (map[0].tick !== 0) return wrongAt([name, 0], 'it does not begin with the song');
    const at = map.findIndex((entry, i) => i > 0 && entry.tick <= map[i - 1].tick);
    if (at >= 0) return wrongAt([name, at], 'it does not come after the one before it');
  }
  return null;
}

/** Spans of the playing order run forwards inside the song and do not add up to more than can be played. */
function wrongOrder({ playingOrder, barCount, pickup }: Song): string | null {
  const first = pickup > 0 ? 0 : 1;
  let total = 0;
  for (const [i, { fromBar, toBar }] of playingOrder.entries()) {
    const wrong = (what: string): string => wrongAt(['playingOrder', i], what);
    if (toBar < fromBar) return wrong(`it goes from bar ${fromBar} back to bar ${toBar}`);
    if (toBar > barCount || fromBar > barCount)
      return wrong(`bar ${Math.max(fromBar, toBar)} is past the last, bar ${barCount}`);
    if (toBar < first) return wrong('the song has no pick-up');
    total += toBar - Math.max(first, fromBar) + 1;
    if (total > MOST_PLAYED_BARS)
      return wrong(`played out the song has more than ${inThousands(MOST_PLAYED_BARS)} bars`);
  }
  return null;
}

/** Ids are given once. */
function twice(song: Song): string | null {
  const { melody, changes, sections, cuts, patterns, ownBars } = song;
  for (const [name, list] of Object.entries({ melody, changes, sections, cuts, patterns, ownBars })) {
    const seen = new Set<string>();
    for (const [i, { id }] of list.entries()) {
      if (seen.has(id)) return wrongAt([name, i], `its id, “${id}”, is given twice`);
      seen.add(id);
    }
  }
  return null;
}

function outOfTime(song: Song): string | null {
  const last = writtenBars(song)[song.barCount - (song.pickup > 0 ? 0 : 1)];
  if (last.tick + last.length > LAST_TICK)
    return `${song.barCount} bars of ${metreName(last.metre)} are longer than any song that is worked with.`;
  for (const name of ['melody', 'changes', 'words', 'sections', 'cuts', 'ownBars'] as const) {
    const list: readonly { readonly tick: number; readonly length?: number }[] = song[name];
    const late = list.findIndex(({ tick, length = 0 }) => tick + length > LAST_TICK);
    if (late >= 0) return wrongAt([name, late], `it ends later than any song of ${song.barCount} bars`);
  }
  return null;
}

/** A pick-up is no longer than a bar; every note is a key that MIDI has. */
function outOfKeys({ pickup, metreMap, melody, settled, fillsTaken, ownBars }: Song): string | null {
  if (pickup > barTicks(metreMap[0]))
    return wrongAt(['pickup'], `it is longer than a bar of ${metreName(metreMap[0])}`);
  const isKey = ({ pitch }: { readonly pitch: Pitch }): boolean => midiOf(pitch) >= 0 && midiOf(pitch) <= 127;
  const wrong = (
    [list, notes]: readonly [string, readonly { readonly pitch: Pitch }[]],
    i = 0,
  ): string | null => {
    const at = notes.findIndex((note) => !isKey(note));
    if (at < 0) return null;
    const where = list === 'melody' ? [list, at] : [list, i, 'notes'];
    return wrongAt(where, `${nameOf(notes[at].pitch)} is a key that no piano has`);
  };
  return (
    wrong(['melody', melody]) ??
    wrong([
      'melody',
      melody.flatMap(({ harmony, harmonies = [] }) =>
        [harmony, ...harmonies].flatMap((one) => one?.keys ?? []).map((pitch) => ({ pitch })),
      ),
    ]) ??
    settled.map(({ keys }, i) => wrong(['settled', keys ?? []], i)).find(Boolean) ??
    fillsTaken.map(({ notes }, i) => wrong(['fillsTaken', notes ?? []], i)).find(Boolean) ??
    ownBars.map(({ notes }, i) => wrong(['ownBars', notes], i)).find(Boolean) ??
    null
  );
}

function inThousands(count: number): string {
  return count.toLocaleString('en');
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
    ownBars: sorted(song.ownBars),
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
