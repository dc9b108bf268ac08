// Fills against the promises: proposals for a part, and a whole version of a long song. Part of npm run bench.
import { arrange } from '../core/arrange';
import { fillSpots } from '../core/arrangement';
import { DEFAULT_PROFILE, type Song } from '../core/song';
import { randomSong } from '../core/testing';

const BARS = 200;
const TIMES = 7;

/** A slow tune: every third note rings on over the next two, so that there is room. */
function slow(song: Song): Song {
  const melody = song.melody.flatMap((note, i) => {
    if (i % 3 !== 0) return [];
    const end = song.melody[i + 3]?.tick ?? note.tick + note.length;
    return [{ ...note, tiedToNext: false, length: end - note.tick }];
  });
  return { ...song, melody };
}

/** Milliseconds of an edit of a song that is arranged already, median. */
export function fillFigures(): void {
  const song = slow(randomSong({ bars: BARS, changesPerBar: 1, seed: 11, lowest: 64, highest: 81 }));
  const on = (differs: Partial<Song['choices']>): Song => ({
    ...song,
    choices: { ...song.choices, ...differs },
  });
  const times: number[] = [];
  let [taken, proposed] = [0, 0];
  for (let seed = 0; seed < TIMES; seed++) {
    const version = on({ level: 7, fills: { measure: 'many', seed } });
    arrange(on({ level: 6 }), DEFAULT_PROFILE);
    const start = performance.now();
    const a = arrange(version, DEFAULT_PROFILE);
    times.push(performance.now() - start);
    taken = a.fills.filter((fill) => fill.taken).length;
    proposed = a.fills.length;
  }
  times.sort((a, b) => a - b);
  console.log(
    `\nfills: a whole version of ${BARS} bars ${times[TIMES >> 1].toFixed(0)} ms (≤ 500): ${taken} of ${proposed} proposals taken`,
  );
  const a = arrange(on({ level: 7 }), DEFAULT_PROFILE);
  const start = performance.now();
  const spots = a.parts.map((part) => fillSpots(a, part).length);
  const each = (performance.now() - start) / a.parts.length;
  console.log(
    `proposals of a part, listed: ${each.toFixed(2)} ms (≤ 100); ${spots.reduce((sum, n) => sum + n, 0)} places`,
  );
}
