import { type Chord, type ChordType, type Key, symbolOf, typeOfSuffix } from '../music';
import { gotOrMade } from '../memory';
import { type Bar, beatsOfBar, type Change, placeInBar } from '../song';
import { rootInKey } from './naming';

/** A key sounding, in ticks, and how much it says about the chord (a melody note says less than a chord note). */
export interface SoundingKey {
  readonly tick: number;
  readonly length: number;
  readonly midi: number;
  readonly weight: number;
}

/** Qualities looked for, with what a rarer one must earn; in hundredths of a pulse's sounding time. */
const QUALITIES: readonly (readonly [suffix: string, cost: number])[] = [
  ['', 0],
  ['m', 0],
  ['7', 12],
  ['m7', 14],
  ['maj7', 14],
  ['dim', 18],
  ['sus4', 22],
  ['m7b5', 20],
  ['dim7', 24],
  ['6', 40],
  ['m6', 40],
  ['aug', 26],
  ['sus2', 30],
];
const FOREIGN = 160;
const ABSENT = 16;
const ROOT_IN_BASS = 30;
const MEMBER_IN_BASS = 10;
/** A change costs least where changes are expected: at the bar line, then at the half bar. */
const CHANGE_COST = [260, 200, 150, 90, 45];

interface State {
  readonly root: number;
  readonly type: ChordType;
  readonly members: readonly number[];
  readonly cost: number;
}

const STATES: readonly State[] = QUALITIES.flatMap(([suffix, cost]) => {
  const type = typeOfSuffix(suffix) as ChordType;
  return Array.from({ length: 12 }, (_, root) => ({
    root,
    type,
    members: type.semitones.map((s) => (root + s) % 12),
    cost,
  }));
});

/**
 * The chords a texture spells, pulse by pulse: of all sequences the one whose members cover what sounds best, with
 * as few changes as that allows (dynamic programming, O(pulses × chords)). Silent stretches keep the chord before.
 * `keyAt` spells the roots; changes get ids "c1" and on and are marked as not given.
 */
export function chordsFromKeys(
  keys: readonly SoundingKey[],
  bars: readonly Bar[],
  keyAt: (tick: number) => Key,
): Change[] {
  const pulses = pulsesOf(bars);
  if (keys.length === 0 || pulses.length === 0) return [];
  const contents = contentsOf(keys, pulses);
  const path = bestPath(pulses, contents);
  const changes: Change[] = [];
  const end = pulses[pulses.length - 1].to;
  const firstSound = contents.findIndex((c) => c.bass >= 0);
  path.forEach((state, i) => {
    const { tick } = pulses[i];
    if (i < firstSound || (i > firstSound && path[i - 1] === state)) return;
    const last = changes[changes.length - 1];
    if (last) changes[changes.length - 1] = { ...last, length: tick - last.tick };
    const { root, type } = STATES[state];
    const chord: Chord = { root: rootInKey(root, type, keyAt(tick)), type, bass: null };
    const id = `c${changes.length + 1}`;
    changes.push({ id, tick, length: end - tick, symbol: symbolOf(chord), given: false, layout: null });
  });
  return changes;
}

interface Pulse {
  readonly tick: number;
  readonly to: number;
  /** Where its bar begins. */
  readonly bar: number;
  /** Cost of a change here. */
  readonly change: number;
}

function pulsesOf(bars: readonly Bar[]): Pulse[] {
  return bars.flatMap((bar) => {
    const starts = [...new Set([bar.tick, ...beatsOfBar(bar)])];
    return starts.map((tick, i) => ({
      tick,
      to: starts[i + 1] ?? bar.tick + bar.length,
      bar: bar.tick,
      change: CHANGE_COST[bar.number === 0 ? 0 : placeInBar(bar, tick).strength],
    }));
  });
}

interface Content {
  /** Share of the sounding weight of each of the twelve keys, in hundredths. */
  readonly shares: readonly number[];
  readonly total: number;
  /** Chroma of the lowest full-weight key, or −1. */
  readonly bass: number;
}

function contentsOf(keys: readonly SoundingKey[], pulses: readonly Pulse[]): Content[] {
  const sorted = [...keys].sort((a, b) => a.tick - b.tick);
  const longest = sorted.reduce((most, key) => Math.max(most, key.length), 0);
  let start = 0;
  const inBar = new Map<number, Set<number>>();
  const contents = pulses.map(({ tick, to, bar }): Content => {
    while (start < sorted.length && sorted[start].tick < tick - longest) start++;
    const weights = new Array<number>(12).fill(0);
    let lowest = Infinity;
    for (let i = start; i < sorted.length && sorted[i].tick < to; i++) {
      const key = sorted[i];
      const within = Math.min(to, key.tick + key.length) - Math.max(tick, key.tick);
      if (within <= 0) continue;
      weights[key.midi % 12] += within * key.weight;
      if (key.weight >= 1) lowest = Math.min(lowest, key.midi);
    }
    for (const [key, weight] of weights.entries())
      if (weight > 0) gotOrMade(inBar, bar, () => new Set<number>()).add(key);
    const total = weights.reduce((sum, w) => sum + w, 0);
    const shares = weights.map((w) => (total === 0 ? 0 : (100 * w) / total));
    return { shares, total, bass: lowest === Infinity ? -1 : lowest % 12 };
  });
  // A bar with one key alone, at whatever octaves, tells no chord: it says as much as silence.
  return contents.map((content, i) =>
    (inBar.get(pulses[i].bar)?.size ?? 0) < 2 ? { ...content, total: 0, bass: -1 } : content,
  );
}

function fit(state: State, { shares, total, bass }: Content): number {
  if (total === 0) return 0;
  let inside = 0;
  let absent = 0;
  for (const member of state.members) {
    inside += shares[member];
    if (shares[member] < 1) absent++;
  }
  let points = inside - (FOREIGN * (100 - inside)) / 100 - ABSENT * absent - state.cost;
  if (bass === state.root) points += ROOT_IN_BASS;
  else if (state.members.includes(bass)) points += MEMBER_IN_BASS;
  return points;
}

/** Index of the chord at each pulse. */
function bestPath(pulses: readonly Pulse[], contents: readonly Content[]): number[] {
  let points = STATES.map((state) => fit(state, contents[0]));
  const from: number[][] = [];
  for (let i = 1; i < pulses.length; i++) {
    const best = points.indexOf(Math.max(...points));
    const changed = points[best] - pulses[i].change;
    const back: number[] = [];
    points = STATES.map((state, s) => {
      const stays = points[s] >= changed;
      back[s] = stays ? s : best;
      return (stays ? points[s] : changed) + fit(state, contents[i]);
    });
    from.push(back);
  }
  const path = [points.indexOf(Math.max(...points))];
  for (let i = from.length - 1; i >= 0; i--) path.unshift(from[i][path[0]]);
  return path;
}
