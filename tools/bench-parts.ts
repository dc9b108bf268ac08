// How the division agrees with a teacher's marks, and how long it takes: part of npm run bench.
import { partsOf, divide } from '../core/parts';
import { type Song, unfold } from '../core/song';
import { randomSong } from '../core/testing';
import { TUNES_APART } from '../demo/kept-apart';
import { UNSEEN_TUNES } from '../demo/unseen';
import { markedCuts } from '../demo/marked';
import { DEMO_SONGS } from '../demo/songs';
import { LATER_TUNES, TEST_TUNES } from '../demo/tunes';

/** Prints marks found, missed and not marked, and the time of the parts stage for 1,500 and 3,000 notes. */
export function cutFigures(): void {
  agreement('cuts', [...DEMO_SONGS, ...TEST_TUNES, ...LATER_TUNES]);
  agreement('cuts of tunes kept apart, by which no weight is set', TUNES_APART);
  agreement('cuts of tunes nobody had in sight when the rules were made', UNSEEN_TUNES);
  timesOfParts();
}

function agreement(what: string, songs: readonly Song[]): void {
  let [right, found, marked] = [0, 0, 0];
  for (const song of songs) {
    const played = unfold(song);
    const marks = markedCuts(song, played);
    const cuts = divide(played).flatMap(({ tick }) => (tick > 0 ? [tick] : []));
    const hits = cuts.filter((tick) => marks.includes(tick)).length;
    if (hits < Math.max(cuts.length, marks.length))
      console.log(
        `${song.title}: ${hits} of ${marks.length} marks found, ${cuts.length - hits} cuts not marked`,
      );
    [right, found, marked] = [right + hits, found + cuts.length, marked + marks.length];
  }
  console.log(
    `\n${what}: ${right} of ${marked} marks found in ${found} cuts, F1 ${((2 * right) / (found + marked)).toFixed(3)}`,
  );
}

function timesOfParts(): void {
  for (const bars of [270, 540]) {
    const song = randomSong({ bars, changesPerBar: 2, seed: 12 });
    const played = unfold(song);
    const times = Array.from({ length: 7 }, () => {
      const start = performance.now();
      partsOf(song, { ...played });
      return performance.now() - start;
    });
    console.log(`parts of ${song.melody.length} notes: ${times.sort((a, b) => a - b)[3].toFixed(1)} ms`);
  }
}
