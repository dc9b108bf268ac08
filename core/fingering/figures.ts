import type { HandEvent } from './event';
import { arpeggioFingers, type FigureFingers, scaleFingers } from './tables';

/** The finger a known figure has for each event that is part of one; null for the others. */
export type Favoured = readonly (number | null)[];

/** So many notes in one direction make a scale, so many an arpeggio; fewer are a tune's own. */
const FEWEST = { scale: 8, arpeggio: 5 } as const;

/** Half steps above the tonic: major, then harmonic, melodic and natural minor. */
const SCALES = [
  ['major', [0, 2, 4, 5, 7, 9, 11]],
  ['minor', [0, 2, 3, 5, 7, 8, 11]],
  ['minor', [0, 2, 3, 5, 7, 9, 11]],
  ['minor', [0, 2, 3, 5, 7, 8, 10]],
] as const;
const TRIADS = { major: [0, 4, 7], minor: [0, 3, 7] } as const;

/**
 * Where a line goes through a scale or a broken triad in one direction, the usual fingers of each of its notes, the
 * last one's included. Source: the tables of piano methods.
 */
export function favouredFingers(events: readonly HandEvent[], hand: 'right' | 'left'): Favoured {
  const favoured: (number | null)[] = events.map(() => null);
  for (const { from, keys } of runsOf(events)) {
    const fingers = scaleRun(keys, hand) ?? arpeggioRun(keys, hand);
    fingers?.forEach((finger, i) => (favoured[from + i] = finger));
  }
  return favoured;
}

interface Run {
  readonly from: number;
  readonly keys: readonly number[];
}

/** No step of a scale or a broken triad is wider, in semitones. */
const WIDEST_STEP = 5;

/** Stretches of single notes in one direction. */
function runsOf(events: readonly HandEvent[]): Run[] {
  const runs: Run[] = [];
  const stepAt = (i: number): number => {
    const [a, b] = [events[i], events[i + 1]];
    if (a.keys.length !== 1 || b?.keys.length !== 1 || b.afterRest) return 0;
    const step = b.keys[0] - a.keys[0];
    return Math.abs(step) <= WIDEST_STEP ? step : 0;
  };
  for (let from = 0; from < events.length - 1;) {
    const direction = Math.sign(stepAt(from));
    let to = from;
    while (to < events.length - 1 && direction !== 0 && Math.sign(stepAt(to)) === direction) to++;
    if (to - from + 1 >= FEWEST.arpeggio)
      runs.push({ from, keys: events.slice(from, to + 1).map(({ keys: [key] }) => key) });
    from = Math.max(to, from + 1);
  }
  return runs;
}

function scaleRun(keys: readonly number[], hand: 'right' | 'left'): number[] | null {
  if (keys.length < FEWEST.scale) return null;
  if (keys.some((key, i) => i > 0 && Math.abs(key - keys[i - 1]) > 3)) return null;
  const classes = new Set(keys.map((key) => key % 12));
  const ends = [keys[0] % 12, keys[keys.length - 1] % 12];
  for (const tonic of [...ends, ...Array.from({ length: 12 }, (_, i) => i)])
    for (const [mode, steps] of SCALES) {
      // A scale is known by its tonic at an end; elsewhere by its major, of which the modes are turns.
      if (!ends.includes(tonic) && mode !== 'major') continue;
      const scale = new Set(steps.map((step) => (tonic + step) % 12));
      if (![...classes].every((c) => scale.has(c))) continue;
      return fingersAlong(keys, scaleFingers(mode, tonic, hand), steps, tonic);
    }
  return null;
}

function arpeggioRun(keys: readonly number[], hand: 'right' | 'left'): number[] | null {
  const classes = new Set(keys.map((key) => key % 12));
  if (classes.size !== 3) return null;
  for (const tonic of classes)
    for (const mode of ['major', 'minor'] as const) {
      const steps = TRIADS[mode];
      if (!steps.every((step) => classes.has((tonic + step) % 12))) continue;
      return fingersAlong(keys, arpeggioFingers(mode, tonic, hand), steps, tonic);
    }
  return null;
}

/** Each note's finger within the run; a tonic at an end has the finger the figure begins or ends with. */
function fingersAlong(
  keys: readonly number[],
  table: FigureFingers,
  steps: readonly number[],
  tonic: number,
): number[] {
  const low = Math.min(...keys);
  const high = Math.max(...keys);
  return keys.map((key) => {
    const degree = steps.indexOf((((key - tonic) % 12) + 12) % 12);
    const inside = table.inside[degree];
    if (degree !== 0) return inside;
    if (key === low) return table.first;
    return key === high ? table.last : inside;
  });
}
