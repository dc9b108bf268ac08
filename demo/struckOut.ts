import type { Arrangement } from '../core/arrangement';
import { type Hand, type HandNote, strikesOf } from '../core/hands';
import { bassOf, chroma, isModal, membersOf, scaleOf } from '../core/music';
import { keyAt, placeIn } from '../core/song';

// What a strict teacher strikes out of an arrangement above the fourth level, counted from the keys that are struck and from
// nothing else: no rule or weight of the program is asked.

/** Notes a second above which nobody plays an ornament. */
const FASTEST = 8.6;
/** A2: a third on it or below it is mud. */
const LOW_THIRD = 45;

interface Struck {
  readonly a: Arrangement;
  readonly tune: readonly HandNote[];
  /** Right-hand keys beside the tune. */
  readonly added: readonly HandNote[];
  readonly both: readonly HandNote[];
}

/** The note that sounds at a tick, the last struck. */
function soundingAt(notes: readonly HandNote[], tick: number): HandNote | undefined {
  return notes.findLast((note) => !note.grace && note.tick <= tick && note.tick + note.length > tick);
}

/** Keys beside the tune that lie above it, but for its octave. */
function above({ tune, added }: Struck): number {
  return added.filter(({ tick, midi }) => {
    const under = soundingAt(tune, tick);
    return under !== undefined && midi > under.midi && midi - under.midi !== 12;
  }).length;
}

/** 1 where the first full bar has anything in the right hand but the tune. */
function firstBarIsDressed({ a, added }: Struck): number {
  const first = a.played.bars.find(({ number }) => number === 1);
  return first && added.some(({ tick }) => tick < first.tick + first.length) ? 1 : 0;
}

/** 1 where the song does not end held on the bass of its last chord, a note of that chord on top. */
function lastBarIsOpen({ a, both }: Struck): number {
  const end = a.played.endTick;
  const last = both.filter(({ tick, length, grace }) => !grace && tick + length >= end - 1);
  const keys = last.map(({ midi }) => midi);
  const { chord } = a.changes.at(-1) ?? {};
  if (!chord) return 0;
  const members = membersOf(chord).map((member) => member.chroma);
  const closes =
    keys.length > 1 &&
    Math.min(...keys) % 12 === chroma(bassOf(chord)) &&
    members.includes(Math.max(...keys) % 12);
  return closes ? 0 : 1;
}

/** Strikes of the right hand that follow one another faster than a hand plays, one of them added; a single grace note is none. */
function tooFast({ a }: Struck): number {
  const seconds = new Map(a.timeline.notes.map((note) => [`${note.tick} ${note.midi}`, note.seconds]));
  const right = a.right
    .filter(({ grace }) => !grace)
    .map((note) => ({ note, at: seconds.get(`${note.tick} ${note.midi}`) ?? 0 }))
    .sort((x, y) => x.at - y.at);
  return right.filter(({ note, at }, i) => {
    const before = right[i - 1];
    const gap = before ? at - before.at : Infinity;
    const isAdded = note.source !== 'melody' || before?.note.source !== 'melody';
    return isAdded && gap > 0.001 && gap < 1 / FASTEST;
  }).length;
}

const fillsOf = ({ both }: Struck): HandNote[] => both.filter(({ source }) => source === 'fill');

function chordChromas({ a }: Struck, tick: number): readonly number[] {
  const { chord } = a.changes.findLast(({ change }) => change.tick <= tick) ?? {};
  return chord ? membersOf(chord).map((member) => member.chroma) : [];
}

/** Fill notes in neither the key's scale (its raised leading note too) nor the chord. */
function outside(struck: Struck): number {
  return fillsOf(struck).filter(({ tick, midi }) => {
    const key = keyAt(struck.a.played, tick);
    const scale = [...scaleOf(key).map(chroma), (chroma(key.tonic) + 11) % 12];
    return !scale.includes(midi % 12) && !chordChromas(struck, tick).includes(midi % 12);
  }).length;
}

/** Fill notes on a beat that are foreign to the chord. */
function strongForeign(struck: Struck): number {
  return fillsOf(struck).filter(({ tick, midi, grace }) => {
    const isStrong = placeIn(struck.a.played.bars, tick).strength >= 3;
    const members = chordChromas(struck, tick);
    return !grace && isStrong && members.length > 0 && !members.includes(midi % 12);
  }).length;
}

/** Fill notes a half step, or an octave and a half step, from another key that sounds with them. */
function rubs(struck: Struck): number {
  return fillsOf(struck).filter((fill) =>
    struck.both.some((other) => {
      const meets = other.tick < fill.tick + fill.length && fill.tick < other.tick + other.length;
      return meets && [1, 13].includes(Math.abs(other.midi - fill.midi));
    }),
  ).length;
}

/** Chords with a third or a seventh that sounds in neither hand; a tune in a mode may close on an open fifth. */
function hollow({ a, both }: Struck): number {
  return a.changes.filter(({ change, chord }, i) => {
    const isModalClose = i === a.changes.length - 1 && isModal(keyAt(a.played, change.tick).mode);
    const telling =
      chord && !isModalClose ? membersOf(chord).filter(({ number }) => [3, 7].includes(number)) : [];
    const end = change.tick + change.length;
    const heard = both.filter(({ tick, length }) => tick < end && tick + length > change.tick);
    return telling.some((member) => !heard.some(({ midi }) => midi % 12 === member.chroma));
  }).length;
}

/** Thirds struck together by the left hand on A2 or lower. */
function lowThirds({ a }: Struck): number {
  return a.left.filter(
    (low) =>
      low.midi <= LOW_THIRD &&
      a.left.some((up) => up.tick === low.tick && [3, 4].includes(up.midi - low.midi)),
  ).length;
}

/** Thirds on A2 or lower that sound together in the left hand, however they are struck; of a walking bass too. */
function lowThirdsBroken({ a }: Struck): number {
  return a.left.filter(
    (low) =>
      low.midi <= LOW_THIRD &&
      a.left.some(
        (up) =>
          up !== low &&
          [3, 4].includes(up.midi - low.midi) &&
          up.tick < low.tick + low.length &&
          up.tick + up.length > low.tick,
      ),
  ).length;
}

/** Octaves and fifths of the outer voices from one strong beat to the next. */
function parallels({ a, tune }: Struck): number {
  const strong = a.played.bars.flatMap(({ tick, number }) => (number === 0 ? [] : [tick]));
  let count = 0;
  let before: readonly [number, number] | null = null;
  for (const tick of strong) {
    const top = soundingAt(tune, tick);
    const struck = a.left.filter((note) => note.tick === tick && !note.grace);
    const now =
      top && struck.length > 0 ? ([Math.min(...struck.map(({ midi }) => midi)), top.midi] as const) : null;
    const interval = now && (now[1] - now[0]) % 12;
    if (
      now &&
      before &&
      [0, 7].includes(interval ?? -1) &&
      (before[1] - before[0]) % 12 === interval &&
      now[0] !== before[0]
    )
      count++;
    before = now;
  }
  return count;
}

/** Each by its name. */
const COUNTS = {
  'added above the tune': above,
  'first bar with more than the tune': firstBarIsDressed,
  'last bar that does not close': lastBarIsOpen,
  'faster than 8.6 a second': tooFast,
  'fill notes outside scale and chord': outside,
  'strong fill notes foreign to the chord': strongForeign,
  'rubs of fill notes': rubs,
  'chords whose third or seventh sounds nowhere': hollow,
  'low thirds struck together': lowThirds,
  'low thirds that sound together': lowThirdsBroken,
  'outer octaves and fifths, bar to bar': parallels,
} as const;

export type Fault = keyof typeof COUNTS;
export const FAULTS = Object.keys(COUNTS) as Fault[];

/** How often each fault stands in an arrangement. */
export function faultsIn(a: Arrangement): Record<Fault, number> {
  const struck: Struck = {
    a,
    tune: a.right.filter(({ source }) => source === 'melody'),
    added: a.right.filter(({ source }) => source !== 'melody'),
    both: [...a.right, ...a.left],
  };
  return Object.fromEntries(FAULTS.map((fault) => [fault, COUNTS[fault](struck)])) as Record<Fault, number>;
}

/** Ticks after which a hand has had time to go elsewhere. */
const TIME_TO_MOVE = 2 * 960;

/**
 * What a strict teacher strikes out of the fingers of an arrangement: crossed in a chord, a finger that slides to another key,
 * a triad with 2 and 3 under the thumb or little finger.
 */
export function fingerFaultsIn({ right, left }: Arrangement): number {
  return (['right', 'left'] as const).reduce((sum, hand) => {
    const notes = hand === 'right' ? right : left;
    const strikes = strikesOf(notes);
    // A grace note between two strikes takes the hand there.
    const graced = new Set(notes.flatMap(({ grace, tick }) => (grace ? [tick] : [])));
    const before = (i: number): Strike | undefined =>
      graced.has(strikes[i][0].tick) ? undefined : strikes[i - 1];
    return sum + strikes.filter((keys, i) => isWrong(keys, before(i), hand)).length;
  }, 0);
}

type Strike = ReturnType<typeof strikesOf>[number];

function isWrong(keys: Strike, before: Strike | undefined, hand: Hand): boolean {
  const fingers = keys.map(({ finger }) => finger ?? 0);
  const outwards = hand === 'right' ? fingers : [...fingers].reverse();
  const isCrossed = outwards.some((finger, i) => i > 0 && finger <= outwards[i - 1]);
  const isNarrow = keys.length === 3 && outwards.join('') === '235';
  return isCrossed || isNarrow || (before !== undefined && slides(before, keys));
}

/** One key to one key with one finger, with no time between; a leap beyond a sixth is none, the hand goes. */
function slides(before: Strike, keys: Strike): boolean {
  const [from, to] = [before[0], keys[0]];
  if (before.length > 1 || keys.length > 1 || to.tick - from.tick >= TIME_TO_MOVE) return false;
  const far = Math.abs(to.midi - from.midi);
  return from.finger === to.finger && far > 0 && far <= 9;
}
