import type { ArrangedChange, Arrangement } from '@joined-hands/core/arrangement';
import type { HandNote } from '@joined-hands/core/hands';
import type { Meeting } from '@joined-hands/core/joining';
import { levelOf } from '@joined-hands/core/levels';
import { staffStep } from '@joined-hands/core/music';
import type { Part } from '@joined-hands/core/parts';
import { type PlayedBar, type PlayedNote, sungIn, within } from '@joined-hands/core/song';
import { shownNote } from '@joined-hands/core/words';

/** What of an arrangement the seam shows of one part: small, so that it can be compared with the last. */
export interface SeamView {
  readonly part: Part;
  readonly bars: readonly PlayedBar[];
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly changes: readonly ArrangedChange[];
  readonly meetings: readonly Meeting[];
  /** From the fifth level on the left hand is drawn by pitch, before it stacked by order. */
  readonly byPitch: boolean;
  /** Lowest and highest staff step of each hand in the part. */
  readonly rightRange: readonly [number, number];
  readonly leftRange: readonly [number, number];
  /** Most keys each hand strikes together in the part. */
  readonly rightMost: number;
  readonly leftMost: number;
  /** The right hand is stacked by order, whatever the pitch. */
  readonly rightStacks: boolean;
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

/** Staff steps a lane spans at most; outliers are drawn an octave nearer. */
const MOST_STEPS = 21;
const MOST_LEFT_STEPS = 40;

/** Gathers what the seam shows of a part: each lane has the range of what is played in it there. */
export function viewOf(arrangement: Arrangement, partIndex: number, isMelodyOnly = false): SeamView {
  const part = arrangement.parts[partIndex];
  const inPart = ({ tick }: { readonly tick: number }): boolean =>
    tick >= part.fromTick && tick < part.toTick;
  const { changes } = arrangement;
  const hands = arrangement.arranged[partIndex];
  const left = isMelodyOnly ? [] : (hands?.left ?? []);
  const away = part.choices.shownOctave;
  const right = rightShown(arrangement, partIndex, isMelodyOnly).map((note) => shownNote(note, part));
  const { isMoving } = levelOf(part.choices);
  const isSinging = part.choices.layout === 'singing';
  const isUnder = part.choices.layout.startsWith('under-melody');
  const words = sungIn(arrangement.played).filter(inPart);
  return {
    part,
    bars: arrangement.played.bars.filter(
      (bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick,
    ),
    right,
    left,
    changes: changes.filter(({ change }) => inPart(change)),
    meetings: isMelodyOnly ? [] : (hands?.meetings ?? []),
    byPitch: isMoving && !isSinging,
    rightRange: rangeOf(right, MOST_STEPS),
    leftRange: rangeOf(left, MOST_LEFT_STEPS),
    rightMost: mostTogether(right),
    leftMost: mostTogether(left),
    rightStacks: (isSinging || isUnder) && !isMelodyOnly,
    isUnderMelody: isUnder && !isMelodyOnly,
    words,
    isMelodyOnly,
    elsewhere: away === 0 ? '' : `shown an octave ${away < 0 ? 'lower' : 'higher'}`,
  };
}

/** The right hand; on the Tune bench the melody, even where it is only sung or something else is played in its place. */
function rightShown(
  { arranged, parts, played }: Arrangement,
  index: number,
  isMelodyOnly: boolean,
): readonly HandNote[] {
  const right = arranged[index]?.right ?? [];
  if (!isMelodyOnly) return right;
  const struck = new Map(right.map((note) => [note.source === 'melody' ? note.from : '', note]));
  const { fromTick, toTick } = parts[index];
  return within(played.melody, fromTick, toTick).flatMap((note) => {
    // What was given to a note by hand is shown with it.
    const given = note.harmony
      ? right.filter(({ source, from }) => source === 'harmony' && from === note.id)
      : [];
    return [...given, struck.get(note.id) ?? asSung(note)];
  });
}

/** A note of the tune that the right hand does not strike. */
function asSung({ id, tick, length, midi, pitch, lyric, grace }: PlayedNote): HandNote {
  return {
    hand: 'right',
    tick,
    length,
    midi,
    pitch,
    source: 'melody',
    from: id,
    lyric: lyric?.text ?? null,
    grace,
    finger: null,
  };
}

/** True when two views draw the same picture: they show the very same things. */
export function sameView(a: SeamView | null, b: SeamView | null): boolean {
  if (a === b) return true;
  if (!a || !b) return false;
  return (Object.keys(a) as (keyof SeamView)[]).every((field) => isAlike(a[field], b[field]));
}

function isAlike(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (!Array.isArray(a) || !Array.isArray(b)) return false;
  return a.length === b.length && a.every((item, i) => isThing(item, b[i]));
}

/** Notes shown elsewhere and words are made anew for each view, the rest are the arrangement's own. */
function isThing(a: unknown, b: unknown): boolean {
  return a === b || (typeof a === 'object' && JSON.stringify(a) === JSON.stringify(b));
}

/** Lowest and highest staff step; a few outliers are shown an octave nearer instead of widening the lane. */
function rangeOf(notes: readonly HandNote[], most: number): [number, number] {
  if (notes.length === 0) return [28, 36];
  const sorted = notes.map(({ pitch }) => staffStep(pitch)).sort((a, b) => a - b);
  const [low, high] = [sorted[0], sorted[sorted.length - 1]];
  if (high - low <= most) return [low, high];
  const middle = sorted[sorted.length >> 1];
  const from = Math.max(low, middle - (most >> 1));
  return [from, from + most];
}

function mostTogether(notes: readonly HandNote[]): number {
  const counts = new Map<number, number>();
  for (const { tick, grace } of notes) if (!grace) counts.set(tick, (counts.get(tick) ?? 0) + 1);
  return Math.max(1, ...counts.values());
}
