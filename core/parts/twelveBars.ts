import { chroma } from '../music';
import { keyAt, type PlayedSong } from '../song';

/** The degrees of a twelve-bar blues that tell it, by bar from 0, in half steps above the tonic. Source: the scheme as commonly taught. */
const SCHEME: readonly (readonly [bar: number, degrees: readonly number[]])[] = [
  [0, [0]],
  [2, [0]],
  [3, [0]],
  [4, [5]],
  [6, [0, 4]],
  [8, [7, 2]],
  [10, [0, 4]],
];
/** The second bar is no dominant. */
const DOMINANT = 7;
const BARS = 12;

/** Indices of the bars in which twelve bars of the blues begin, one after the other; empty in other songs. */
export function twelveBarsFrom(played: PlayedSong): number[] {
  const degrees = played.bars.map(({ tick }) => {
    const chord = played.changes.findLast((change) => change.tick <= tick)?.chord;
    return chord ? (chroma(chord.root) - chroma(keyAt(played, tick).tonic) + 12) % 12 : null;
  });
  const found: number[] = [];
  for (let from = 0; from + BARS <= degrees.length; from++) {
    const isOne =
      SCHEME.every(([bar, wanted]) => wanted.includes(degrees[from + bar] ?? -1)) &&
      degrees[from + 1] !== DOMINANT;
    if (!isOne) continue;
    found.push(from);
    from += BARS - 1;
  }
  return found;
}
