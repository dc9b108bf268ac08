import type { HandNote } from '../hands';
import { isBlack, reachMm, spanMm } from '../music';
import type { Profile } from '../song';
import { because } from '../sentences';

export const MEASURES = [
  'leaps',
  'travel',
  'independence',
  'stretch',
  'shifts',
  'blackKeys',
  'speed',
] as const;
export type Measure = (typeof MEASURES)[number];

/** How hard a part is: each measure 0–100, one total, and the two weightiest reasons in words. */
export interface Effort {
  readonly total: number;
  readonly measures: Readonly<Record<Measure, number>>;
  readonly reasons: readonly string[];
}

export interface EffortTask {
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly seconds: number;
  readonly bars: number;
  readonly profile: Profile;
}

/** The value of each measure that counts as 100; set by ear on graded pieces, to be refined with use. */
const FULL: Record<Measure, number> = {
  leaps: 600,
  travel: 1200,
  independence: 2,
  stretch: 1,
  shifts: 4,
  blackKeys: 0.6,
  speed: 9,
};
const WEIGHT: Record<Measure, number> = {
  leaps: 4,
  travel: 3,
  independence: 3,
  stretch: 2,
  shifts: 3,
  blackKeys: 1,
  speed: 4,
};

/** Measures a part. An empty part costs nothing. */
export function effortOf(task: EffortTask): Effort {
  const raw = rawMeasures(task);
  const measures = Object.fromEntries(
    MEASURES.map((m) => [m, Math.min(100, Math.round((100 * raw[m]) / FULL[m]))]),
  ) as Record<Measure, number>;
  const weights = MEASURES.reduce((sum, m) => sum + WEIGHT[m], 0);
  const total = Math.round(MEASURES.reduce((sum, m) => sum + WEIGHT[m] * measures[m], 0) / weights);
  const ranked = [...MEASURES].sort((a, b) => WEIGHT[b] * measures[b] - WEIGHT[a] * measures[a]);
  const reasons = ranked
    .filter((m) => measures[m] > 0)
    .slice(0, 2)
    .map((m) => inWords(m, raw[m]));
  return { total, measures, reasons };
}

function rawMeasures(task: EffortTask): Record<Measure, number> {
  const seconds = Math.max(task.seconds, 0.001);
  const bars = Math.max(task.bars, 1);
  const notes = [...task.right, ...task.left];
  const rightTicks = new Set(task.right.map((n) => n.tick));
  const leftTicks = [...new Set(task.left.map((n) => n.tick))];
  const alone = leftTicks.filter((tick) => !rightTicks.has(tick)).length;
  const strikes = new Set([...rightTicks, ...leftTicks]).size;
  return {
    leaps: (jumpsMm(task.right) + jumpsMm(task.left)) / seconds,
    travel: jumpsMm(task.left) / bars,
    independence: strikes === 0 ? 0 : (2 * alone) / strikes,
    stretch: widest(task.left) / reachMm(task.profile.leftReach),
    shifts: (shifts(task.right) + shifts(task.left)) / bars,
    blackKeys: notes.length === 0 ? 0 : notes.filter((n) => isBlack(n.midi)).length / notes.length,
    speed: strikes / seconds,
  };
}

/** Millimetres the lowest key of a hand moves from strike to strike. */
function jumpsMm(notes: readonly HandNote[]): number {
  let sum = 0;
  let last: HandNote | null = null;
  for (const note of notes) {
    if (last && note.tick !== last.tick) sum += spanMm(last.midi, note.midi);
    if (!last || note.tick !== last.tick) last = note;
  }
  return sum;
}

function widest(notes: readonly HandNote[]): number {
  const ends = new Map<number, [number, number]>();
  for (const { tick, midi } of notes) {
    const [low, high] = ends.get(tick) ?? [midi, midi];
    ends.set(tick, [Math.min(low, midi), Math.max(high, midi)]);
  }
  return [...ends.values()].reduce((most, [low, high]) => Math.max(most, spanMm(low, high)), 0);
}

/** Times the same finger goes to another key at once: a new position. */
function shifts(notes: readonly HandNote[]): number {
  let count = 0;
  for (let i = 1; i < notes.length; i++) {
    const [a, b] = [notes[i - 1], notes[i]];
    if (a.tick !== b.tick && a.finger !== null && a.finger === b.finger && a.midi !== b.midi) count++;
  }
  return count;
}

function inWords(measure: Measure, raw: number): string {
  const mm = Math.round(raw / 10) * 10;
  switch (measure) {
    case 'leaps':
      return because.leaps(mm);
    case 'travel':
      return because.travel(mm);
    case 'independence':
      return because.leftAlone();
    case 'stretch':
      return because.wide();
    case 'shifts':
      return because.shifts();
    case 'blackKeys':
      return because.blackKeys();
    case 'speed':
      return `${raw.toFixed(1)} strikes a second`;
  }
}
