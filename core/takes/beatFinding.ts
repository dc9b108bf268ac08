/** Beats that are looked for, in seconds, and how finely. */
const [SHORTEST, LONGEST] = [0.3, 1.2];
const STEP = 1.0004;
/** The usual beat, and how many octaves of tempo away from it one is still usual. Source: preferred tempo of about 100 a minute. */
const [USUAL, AWAY] = [0.6, 1];
/** Onsets gather this much on the beats and their halves, or thirds, where somebody kept a beat. */
const STEADY = 0.6;
/** In a beat of three all three parts are struck, each this often at least. */
const MIDDLE = 0.06;
/** Thirds must be so much plainer than halves. */
const MORE = 0.1;

/** A beat somebody kept. */
export interface FoundBeat {
  readonly seconds: number;
  /** Whether it is divided in three, and not in two. */
  readonly isInThrees: boolean;
}

/** The beat somebody kept, from when keys were struck, in seconds; null where no one steady beat is heard. */
export function findBeat(onsets: readonly number[]): FoundBeat | null {
  if (onsets.length < 8) return null;
  let [best, most] = [0, -Infinity];
  for (let beat = SHORTEST; beat <= LONGEST; beat *= STEP) {
    const parts = Math.max(gathered(onsets, beat / 2), gathered(onsets, beat / 3));
    if (parts < STEADY) continue;
    const fit = gathered(onsets, beat) + parts - (Math.log2(beat / USUAL) / AWAY) ** 2 / 2;
    if (fit > most) [best, most] = [beat, fit];
  }
  if (most === -Infinity) return null;
  const isInThrees = gathered(onsets, best / 3) > gathered(onsets, best / 2) + MORE;
  return { seconds: best, isInThrees: isInThrees && middleShare(onsets, best) > MIDDLE };
}

/** Share of onsets that fall on the middle of three parts of a beat: swung eighths leave it out. */
function middleShare(onsets: readonly number[], beat: number): number {
  let [x, y] = [0, 0];
  for (const onset of onsets) {
    x += Math.cos((2 * Math.PI * onset * 3) / beat);
    y += Math.sin((2 * Math.PI * onset * 3) / beat);
  }
  const shift = Math.atan2(y, x) / (2 * Math.PI * 3);
  const counts = [0, 0, 0];
  for (const onset of onsets) counts[((Math.round((onset / beat - shift) * 3) % 3) + 3) % 3]++;
  const [least] = counts.map((count) => count / onsets.length).sort((a, b) => a - b);
  return least;
}

/** How much onsets gather at one place of a period, 0 … 1: the length of their mean as points on a circle. */
function gathered(onsets: readonly number[], period: number): number {
  let [x, y] = [0, 0];
  for (const onset of onsets) {
    const angle = (2 * Math.PI * onset) / period;
    x += Math.cos(angle);
    y += Math.sin(angle);
  }
  return Math.hypot(x, y) / onsets.length;
}
