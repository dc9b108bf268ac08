import type { ArrangedChange, Arrangement, HandNote, Meeting, Part, PlayedBar } from '@joined-hands/core';
import { staffStep } from '@joined-hands/core';

/** What of an arrangement the seam shows of one part: small, so that it can be compared with the last. */
export interface SeamView {
  readonly part: Part;
  readonly bars: readonly PlayedBar[];
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly changes: readonly ArrangedChange[];
  readonly meetings: readonly Meeting[];
  /** From the fifth rung on the left hand is drawn by pitch, before it stacked by order. */
  readonly byPitch: boolean;
  /** Staff steps of the lanes, the same for every part of the song. */
  readonly rightRange: readonly [number, number];
  readonly leftRange: readonly [number, number];
  /** Most keys a chord of the song has. */
  readonly leftMost: number;
  readonly hasLeft: boolean;
  readonly hasLyrics: boolean;
}

const MOST_STEPS = 16;
const MOST_LEFT_STEPS = 40;

/** Gathers what the seam shows of a part. */
export function viewOf(arrangement: Arrangement, partIndex: number): SeamView {
  const part = arrangement.parts[partIndex];
  const inPart = (tick: number): boolean => tick >= part.fromTick && tick < part.toTick;
  const left = arrangement.left.filter((n) => inPart(n.tick));
  const blocks = arrangement.changes.flatMap((c) => c.pitches.map(staffStep));
  return {
    part,
    bars: arrangement.played.bars.filter(
      (bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick,
    ),
    right: arrangement.right.filter((n) => inPart(n.tick)),
    left,
    changes: arrangement.changes.filter((c) => inPart(c.change.tick)),
    meetings: arrangement.meetings.filter((m) => inPart(m.tick)),
    byPitch: part.choices.rung >= 5,
    rightRange: rangeOf(
      arrangement.played.melody.map((n) => staffStep(n.pitch)),
      MOST_STEPS,
    ),
    leftRange: rangeOf([...blocks, ...left.map((n) => staffStep(n.pitch))], MOST_LEFT_STEPS),
    leftMost: arrangement.changes.reduce((most, c) => Math.max(most, c.voicing.keys.length), 3),
    hasLeft: part.choices.rung > 1,
    hasLyrics: arrangement.played.melody.some((n) => n.lyric !== null),
  };
}

/** True when two views draw the same picture. */
export function sameView(a: SeamView | null, b: SeamView | null): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

/** Lowest and highest staff step; a few outliers are shown an octave nearer instead of widening the lane. */
function rangeOf(steps: readonly number[], most: number): [number, number] {
  if (steps.length === 0) return [28, 36];
  const sorted = [...steps].sort((a, b) => a - b);
  const [low, high] = [sorted[0], sorted[sorted.length - 1]];
  if (high - low <= most) return [low, high];
  const middle = sorted[sorted.length >> 1];
  const from = Math.max(low, middle - (most >> 1));
  return [from, from + most];
}
