import type { ArrangedChange, Arrangement } from '@joined-hands/core/arrangement';
import { DEFAULT_FULLER } from '@joined-hands/core/fuller';
import type { HandNote } from '@joined-hands/core/hands';
import type { Meeting } from '@joined-hands/core/joining';
import { rungOf } from '@joined-hands/core/ladder';
import { staffStep } from '@joined-hands/core/music';
import { type Part, partIndexAt } from '@joined-hands/core/parts';
import { type Choices, type PlayedBar, sungIn } from '@joined-hands/core/song';
import { shownNote } from '@joined-hands/core/words';

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
/** The lane may be so much higher where keys lie beside the tune. */
const BESIDE_STEPS = 5;

/** Gathers what the seam shows of a part. All but the part's own hands follows from the song, not from what has come. */
export function viewOf(arrangement: Arrangement, partIndex: number, isMelodyOnly = false): SeamView {
  const part = arrangement.parts[partIndex];
  const inPart = ({ tick }: { readonly tick: number }): boolean =>
    tick >= part.fromTick && tick < part.toTick;
  const { changes } = arrangement;
  const hands = arrangement.arranged[partIndex];
  const left = isMelodyOnly ? [] : (hands?.left ?? []);
  const away = part.choices.shownOctave;
  const right = rightShown(arrangement, partIndex, isMelodyOnly).map((note) => shownNote(note, part));
  const { singing, isMoving, chords } = rungOf(part.choices);
  const isSinging = part.choices.layout === 'singing';
  const isUnder = part.choices.layout.startsWith('under-melody');
  const own = changes.filter(({ change }) => inPart(change));
  const most = own.reduce((count, c) => Math.max(count, c.voicing.keys.length), 1);
  const words = sungIn(arrangement.played);
  return {
    part,
    bars: arrangement.played.bars.filter(
      (bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick,
    ),
    right,
    left,
    changes: own,
    meetings: isMelodyOnly ? [] : (hands?.meetings ?? []),
    byPitch: isMoving && !isSinging,
    ...rangesOf(arrangement.played, arrangement.parts, arrangement.raisedParts, changes),
    leftMost: isSinging
      ? singing.bass === 'octave'
        ? 2
        : 1
      : changes.reduce((count, c) => Math.max(count, c.voicing.keys.length), 3),
    rightMost: (isSinging || isUnder) && !isMelodyOnly ? most : 1,
    isUnderMelody: isUnder && !isMelodyOnly,
    hasLeft: !isMelodyOnly && (chords !== 'none' || isSinging),
    hasLyrics: words.length > 0,
    words: words.filter(inPart),
    isMelodyOnly,
    elsewhere: away === 0 ? '' : `shown an octave ${away < 0 ? 'lower' : 'higher'}`,
  };
}

/** Staff steps a moving left hand may lie below, and above, the lowest key of its chord. */
const PATTERN_BELOW = 10;
const PATTERN_ABOVE = 5;

type Ranges = Pick<SeamView, 'rightRange' | 'leftRange'>;
let lastRanges: { readonly from: readonly unknown[]; readonly ranges: Ranges } | null = null;

/** One range of staff steps for each lane of the whole song, worked out once for the same tune, parts and chords. */
function rangesOf(
  ...from: [Arrangement['played'], readonly Part[], readonly number[], readonly ArrangedChange[]]
): Ranges {
  if (lastRanges && from.every((input, i) => input === lastRanges?.from[i])) return lastRanges.ranges;
  const [played, parts, raised, changes] = from;
  const right = played.melody.flatMap((note) => {
    const index = partIndexAt(parts, note.tick);
    const { octaveShift, shownOctave } = parts[index].choices;
    const step = staffStep(note.pitch) + 7 * (octaveShift + (raised.includes(index) ? 1 : 0));
    const beside = besideTune(parts[index]).map((away) => step + away);
    return shownOctave === 0 ? [step, ...beside] : [step, ...beside, step + 7 * shownOctave];
  });
  const isFuller = parts.some((part) => rungOf(part.choices).rightHand === 'fuller');
  const isMoving = parts.some((part) => rungOf(part.choices).isMoving);
  const left = changes.flatMap(({ pitches }) => {
    const steps = pitches.map(staffStep);
    return isMoving ? [...steps, steps[0] - PATTERN_BELOW, steps[0] + PATTERN_ABOVE] : steps;
  });
  const ranges = {
    rightRange: rangeOf(right, MOST_STEPS + (isFuller ? BESIDE_STEPS : 0)),
    leftRange: rangeOf(left, MOST_LEFT_STEPS),
  };
  lastRanges = { from, ranges };
  return ranges;
}

/** Staff steps by which keys beside the tune may lie away from it. */
const BESIDE: Readonly<Record<NonNullable<Choices['fuller']>, readonly number[]>> = {
  under: [-5],
  'two-under': [-6],
  chord: [-6],
  above: [6],
  octave: [-7, 7],
  frame: [-7, 7],
  none: [],
};

function besideTune({ choices }: Part): readonly number[] {
  return rungOf(choices).rightHand === 'fuller' ? BESIDE[choices.fuller ?? DEFAULT_FULLER] : [];
}

/** The right hand; on the Tune bench the melody even where it is only sung. */
function rightShown(
  { arranged, parts, played }: Arrangement,
  index: number,
  isMelodyOnly: boolean,
): readonly HandNote[] {
  const right = arranged[index]?.right ?? [];
  if (!isMelodyOnly || right.some((n) => n.source === 'melody'))
    return isMelodyOnly ? right.filter((n) => n.source === 'melody') : right;
  const { fromTick, toTick } = parts[index];
  return played.melody
    .filter(({ tick }) => tick >= fromTick && tick < toTick)
    .map((note) => ({
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
function rangeOf(steps: readonly number[], most: number): [number, number] {
  if (steps.length === 0) return [28, 36];
  const sorted = [...steps].sort((a, b) => a - b);
  const [low, high] = [sorted[0], sorted[sorted.length - 1]];
  if (high - low <= most) return [low, high];
  const middle = sorted[sorted.length >> 1];
  const from = Math.max(low, middle - (most >> 1));
  return [from, from + most];
}
