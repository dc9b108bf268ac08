// Suggestions beside a teacher's marks, and the time to compare layouts: part of npm run bench.
import { compareLayouts } from '../core/arrange';
import { type Chord, parseChord, chroma } from '../core/music';
import { DEFAULT_PROFILE, type Song, unfold, keyAt } from '../core/song';
import { workOf } from '../core/suggesting/tastes';
import { suggestFor } from '../core/suggesting/toChanges';
import { randomSong } from '../core/testing';
import { MARKS } from '../demo/marks';
import { DEMO_SONGS } from '../demo/songs';
import { LATER_TUNES, TEST_TUNES } from '../demo/tunes';

/** Share of bars whose every suggestion has an acceptable root, and an acceptable role. */
function agreement(songs: readonly Song[]): string {
  let [root, work, bars] = [0, 0, 0];
  for (const song of songs) {
    const bare = { ...song, changes: [], playingOrder: [] };
    const { slots, chosen } = suggestFor(bare, 'sevenths', 'all', true);
    const played = unfold(bare);
    const key = keyAt(played, 0);
    MARKS[song.id].chords.split('|').forEach((marks, i) => {
      const good = marks
        .trim()
        .split('/')
        .map((symbol) => parseChord(symbol) as Chord);
      const bar = played.bars.find((b) => b.number === i + 1);
      if (!bar) return;
      const here = chosen.filter(
        (_, k) => slots[k].tick >= bar.tick && slots[k].tick < bar.tick + bar.length,
      );
      bars++;
      if (here.every((c) => good.some((g) => chroma(g.root) === chroma(c.chord.root)))) root++;
      if (here.every((c) => good.some((g) => workOf(g, key) === c.work))) work++;
    });
  }
  const percent = (count: number): string => `${((100 * count) / bars).toFixed(1)} %`;
  return `root ${percent(root)}, role ${percent(work)} of ${bars} bars`;
}

/** Prints agreement of suggestions and the time of comparing layouts. */
export function chordFigures(): void {
  console.log(`\nsuggested chords, songs of the tests: ${agreement([...DEMO_SONGS, ...TEST_TUNES])}`);
  console.log(`suggested chords, tunes marked after the weights were set: ${agreement(LATER_TUNES)}`);
  const song = randomSong({ bars: 200, changesPerBar: 1, seed: 11 });
  const eight = ['partial', 'shell', 'fifth', 'three', 'block', 'root', 'rootless', 'tenth'] as const;
  const times = Array.from({ length: 5 }, () => {
    const start = performance.now();
    compareLayouts(song, DEFAULT_PROFILE, null, eight);
    return performance.now() - start;
  });
  console.log(
    `eight layouts compared on 200 changes: ${times[0].toFixed(0)} ms first, ${Math.min(...times).toFixed(0)} ms then`,
  );
}
