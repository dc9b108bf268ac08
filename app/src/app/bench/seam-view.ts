import { type ArrangedChange, type Arrangement } from '@joined-hands/core/arrangement';
import type { HandNote } from '@joined-hands/core/hands';
import type { Meeting } from '@joined-hands/core/joining';
import { staffStep } from '@joined-hands/core/music';
import type { Part } from '@joined-hands/core/parts';
import type { PlayedBar } from '@joined-hands/core/song';

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
  /** Most keys the right hand strikes together; more than one are stacked by order. */
  readonly rightMost: number;
  /** The melody lies on top of what the right hand strikes with it: stacks hang from the top. */
  readonly isUnderMelody: boolean;
  /** Syllables with the tick they are sung at. */
  readonly words: readonly SungWord[];
  /** Only the melody is shown, without the seam and the left hand. */
  readonly isMelodyOnly: boolean;
  /** Said in the lane when the right hand is shown elsewhere than it is played. */
  readonly elsewhere: string;
}

/** The melody of a stretch of a part, with its chords and words. */
export function stretchView(
  arrangement: Arrangement,
  partIndex: number,
  fromTick: number,
  toTick: number,
): SeamView {
  const whole = viewOf(arrangement, partIndex, true);
  const inside = ({ tick }: { readonly tick: number }): boolean => tick >= fromTick && tick < toTick;
  return {
    ...whole,
    part: { ...whole.part, fromTick, toTick },
    bars: whole.bars.filter((bar) => bar.tick < toTick && bar.tick + bar.length > fromTick),
    right: whole.right.filter(inside),
    changes: whole.changes.filter(({ change }) => inside(change)),
    words: whole.words.filter(inside),
  };
}

export interface SungWord {
  readonly tick: number;
  readonly text: string;
  readonly syllabic: 'single' | 'begin' | 'middle' | 'end';
}

const MOST_STEPS = 16;
const MOST_LEFT_STEPS = 40;

/** Gathers what the seam shows of a part. */
export function viewOf(arrangement: Arrangement, partIndex: number, isMelodyOnly = false): SeamView {
  const part = arrangement.parts[partIndex];
  const inPart = (tick: number): boolean => tick >= part.fromTick && tick < part.toTick;
  const left = isMelodyOnly ? [] : arrangement.left.filter((n) => inPart(n.tick));
  const away = part.choices.shownOctave;
  const shown = (note: HandNote): HandNote =>
    away === 0 ? note : { ...note, pitch: { ...note.pitch, octave: note.pitch.octave + away } };
  const right = rightShown(arrangement, isMelodyOnly)
    .filter((n) => inPart(n.tick))
    .map(shown);
  const words = wordsOf(arrangement.played);
  const isSinging = part.choices.layout === 'singing';
  const isUnder = part.choices.layout.startsWith('under-melody');
  const blocks = arrangement.changes.flatMap((c) => c.pitches.map(staffStep));
  return {
    part,
    bars: arrangement.played.bars.filter(
      (bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick,
    ),
    right,
    left,
    changes: arrangement.changes.filter((c) => inPart(c.change.tick)),
    meetings: isMelodyOnly ? [] : arrangement.meetings.filter((m) => inPart(m.tick)),
    byPitch: part.choices.rung >= 5 && !isSinging,
    rightRange: rangeOf(
      [...arrangement.right.map((n) => staffStep(n.pitch)), ...right.map((n) => staffStep(n.pitch))],
      MOST_STEPS,
    ),
    leftRange: rangeOf([...blocks, ...left.map((n) => staffStep(n.pitch))], MOST_LEFT_STEPS),
    leftMost: isSinging
      ? mostTogether(left)
      : arrangement.changes.reduce((most, c) => Math.max(most, c.voicing.keys.length), 3),
    rightMost: (isSinging || isUnder) && !isMelodyOnly ? mostTogether(right) : 1,
    isUnderMelody: isUnder && !isMelodyOnly,
    hasLeft: !isMelodyOnly && (part.choices.rung > 1 || isSinging),
    hasLyrics: words.length > 0,
    words: words.filter((word) => inPart(word.tick)),
    isMelodyOnly,
    elsewhere: away === 0 ? '' : `shown an octave ${away < 0 ? 'lower' : 'higher'}`,
  };
}

/** Most keys struck at one tick, at least one. */
function mostTogether(notes: readonly HandNote[]): number {
  const counts = new Map<number, number>();
  for (const { tick } of notes) counts.set(tick, (counts.get(tick) ?? 0) + 1);
  return Math.max(1, ...counts.values());
}

/** The right hand; on the Tune bench the melody even where it is only sung. */
function rightShown({ right, played }: Arrangement, isMelodyOnly: boolean): readonly HandNote[] {
  if (!isMelodyOnly || right.some((n) => n.source === 'melody')) return right;
  return played.melody.map((note) => ({
    hand: 'right',
    tick: note.tick,
    length: note.length,
    midi: note.midi,
    pitch: note.pitch,
    source: 'melody',
    from: note.id,
    lyric: note.lyric?.text ?? null,
    grace: note.grace,
    finger: null,
  }));
}

function wordsOf({ melody, words }: Arrangement['played']): SungWord[] {
  const sung = melody.flatMap((n) => (n.lyric ? [{ tick: n.tick, ...n.lyric }] : []));
  return [...sung, ...words].sort((a, b) => a.tick - b.tick);
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
