import type { ArrangedChange } from '@joined-hands/core/arrangement';
import { countAt } from '@joined-hands/core/joining';
import { typeset } from '@joined-hands/core/music';
import { barAt } from '@joined-hands/core/song';
import { blockShapes, leftHeight, NOTE_HEIGHT, noteShapes, rightHeight, type View } from './seam-keys';
import { LYRIC_LINE, placeLyrics, TEXT_IN, type TextMark } from './seam-lyrics';

import { type BarSpan, barSpans, between, LEFT_MARGIN, rowsOf, usableWidth } from './seam-rows';
import {
  type BlockShape,
  type ChangeShape,
  type NoteShape,
  type SeamLayout,
  type SeamRow,
  type Stitch,
} from './seam-shapes';
import type { SeamView } from './seam-view';

const ROW_GAP = 12;
/** Under the last row: fingers under its keys. */
const TAIL = 12;
const BAR_NUMBER_ROOM = 20;
const STEP = 7.5;
/** Where there is height to spare, pitch is drawn up to this much higher; where it is short, this much flatter. */
const MOST_STRETCH = 2;
const LEAST_STRETCH = 0.3;
/** The thread runs just left of the words it passes. */
const THREAD_IN = 4;
/** Half the height of the seam: its counts stand on it. */
export const SEAM_HALF = 13;
const CHORD_NAMES = 27;

/** How much the seam may be enlarged, the most first; beyond the usual only where it is all there is on the screen. */
const SCALES = [2.4, 2.2, 2, 1.8, 1.65, 1.5, 1.4, 1.3, 1.2, 1.1, 1];
const MOST_BESIDE_PANELS = 1.5;
/** Where not even one row fits, on a telephone that says something above it, it is drawn a little smaller. */
const SMALLER = [0.95, 0.9, 0.85, 0.8];
/** Height of what turns the rows, where they do not all fit. */
export const TURNER_HEIGHT = 44;

/** A part laid out for a room. */
interface FittedSeam {
  readonly layout: SeamLayout;
  readonly scale: number;
  /** Rows that are seen at a time: whole ones only. */
  readonly rowsShown: number;
}

interface Room {
  readonly width: number;
  readonly height: number;
  /** Nothing else is on the screen: it is read from afar. */
  readonly isAlone?: boolean;
}

/**
 * The layout of a part at the largest scale at which all of it fits the height, its lanes flatter before a row is left out;
 * else with as many whole rows at a time as fit, no more rows than at scale 1, as large as these allow; a single row that
 * is too high is drawn a little smaller. Scales are tried by height alone, which follows from the number of rows; shapes
 * are made once.
 */
export function fitSeam(view: SeamView, room: Room): FittedSeam {
  const spans = barSpans(view, room.width);
  const scales = SCALES.filter((scale) => room.isAlone || scale <= MOST_BESIDE_PANELS);
  const rowsAt = (scale: number): number => rowsOf(spans, usableWidth(Math.floor(room.width / scale))).length;
  const fits = (scale: number, stretch: number): boolean =>
    heightOf(view, rowsAt(scale), stretch) <= room.height / scale;
  const whole = scales.find((scale) => fits(scale, 1)) ?? (fits(1, LEAST_STRETCH) ? 1 : undefined);
  const height = whole ? room.height : room.height - TURNER_HEIGHT;
  const shownAt = (scale: number): number => rowsThatFit(view, height / scale);
  const scale =
    whole ??
    scales.find((s) => rowsAt(s) === rowsAt(1) && shownAt(s) >= Math.max(1, shownAt(1))) ??
    SMALLER.find((s) => shownAt(s) >= 1) ??
    SMALLER[SMALLER.length - 1];
  const width = Math.floor(room.width / scale);
  const rows = rowsOf(spans, usableWidth(width));
  const rowsShown = whole ? rows.length : Math.min(rows.length, Math.max(1, shownAt(scale)));
  const stretch = stretchFor(view, rowsShown, height / scale);
  return { layout: layOut(view, rows, width, stretch), scale, rowsShown };
}

/** Whole rows of a part that a height holds, as flat as they may be. */
function rowsThatFit(view: SeamView, height: number): number {
  const row = heightOf(view, 1, LEAST_STRETCH) - TAIL;
  return Math.floor((height - TAIL + ROW_GAP) / (row + ROW_GAP));
}

/** Height of so many rows of a layout, in its own pixels. */
export function heightOfRows({ rows, height }: SeamLayout, count: number): number {
  const last = rows[count - 1];
  return last ? last.top + last.height + TAIL : height;
}

/** The highest the lanes may be drawn in the room there is, found by halving: both lanes have a least height of their own. */
function stretchFor(view: SeamView, rows: number, height: number): number {
  let [least, most] = [LEAST_STRETCH, MOST_STRETCH];
  if (heightOf(view, rows, most) <= height) return most;
  for (let i = 0; i < 10; i++) {
    const middle = (least + most) / 2;
    if (heightOf(view, rows, middle) <= height) least = middle;
    else most = middle;
  }
  return least;
}

/** Height of so many rows: every row of a part is as high as the others. */
function heightOf(view: SeamView, rows: number, stretch: number): number {
  const row = bandsOf({ ...view, step: STEP * stretch }, 0).bottom;
  return rows * row + (rows - 1) * ROW_GAP + TAIL;
}

/** Lays out one part in rows of bars that fit the width. */
export function layoutSeam(view: SeamView, width: number, stretch = 1): SeamLayout {
  return layOut(view, rowsOf(barSpans(view, width), usableWidth(width)), width, stretch);
}

function layOut(base: SeamView, groups: readonly BarSpan[][], width: number, stretch: number): SeamLayout {
  const view: View = { ...base, step: STEP * stretch };
  const counts = countsOf(view);
  const rows: SeamRow[] = [];
  let top = 0;
  for (const group of groups) {
    const row = layoutRow(view, group, counts, usableWidth(width), top);
    rows.push(row);
    top += row.height + ROW_GAP;
  }
  return {
    rows,
    height: Math.max(0, top - ROW_GAP + TAIL),
    rightHeight: rightHeight(view),
    step: view.step,
  };
}

/** Where each band of a row lies. */
interface Bands {
  readonly rightTop: number;
  readonly lyricTop: number;
  readonly seamY: number;
  /** Baseline of the chord names, at the head of the left hand's lane. */
  readonly chordY: number;
  readonly leftTop: number;
  readonly bottom: number;
}

function bandsOf(view: View, top: number): Bands {
  const rightTop = top + BAR_NUMBER_ROOM;
  const lyricTop = rightTop + rightHeight(view);
  const seamY = lyricTop + (view.words.length > 0 ? LYRIC_LINE : 0) + SEAM_HALF + 2;
  const chordY = seamY + SEAM_HALF + 16;
  const leftTop = seamY + SEAM_HALF + CHORD_NAMES;
  const bottom = view.isMelodyOnly ? chordY + 8 : leftTop + leftHeight(view) + 3;
  return { rightTop, lyricTop, seamY, chordY, leftTop, bottom };
}

function layoutRow(
  view: View,
  spans: readonly BarSpan[],
  counts: readonly CountMark[],
  usable: number,
  top: number,
): SeamRow {
  const fromTick = spans[0].from;
  const toTick = spans[spans.length - 1].to;
  const pixelsPerTick = usable / (toTick - fromTick);
  const x = (tick: number): number => LEFT_MARGIN + (tick - fromTick) * pixelsPerTick;
  const { rightTop, lyricTop, seamY, chordY, leftTop, bottom } = bandsOf(view, top);
  const place = { x, perTick: pixelsPerTick, rowEnd: toTick };
  const notes = noteShapes(view, between(view.right, fromTick, toTick), place, rightTop);
  const blocks = blockShapes(view, between(view.left, fromTick, toTick), place, leftTop);
  const counted = countMarks(between(counts, fromTick, toTick), x, seamY + 6);
  return {
    top,
    height: bottom - top,
    fromTick,
    toTick,
    bars: spans.map(({ from, to, bar }, i) => ({
      x: x(from),
      width: (to - from) * pixelsPerTick,
      number: bar.number,
      isFirst: i === 0,
    })),
    notes,
    blocks,
    changes: changeShapes(view, fromTick, toTick, x, counted),
    stitches: stitchesOf(view, notes, blocks, fromTick, toTick, x),
    lyrics: placeLyrics(between(view.words, fromTick, toTick), x, lyricTop, LEFT_MARGIN + usable),
    counts: counted,
    chordY,
    seamY,
    bottom,
    pixelsPerTick,
  };
}

const SHORT_INVERSION = ['root', '1st inv.', '2nd inv.', '3rd inv.', '9th low', '11th low', '13th low'];

function changeShapes(
  view: View,
  from: number,
  to: number,
  x: (tick: number) => number,
  counts: readonly Counted[],
): ChangeShape[] {
  return view.changes
    .filter((c) => c.change.tick >= from && c.change.tick < to)
    .map((c) => {
      const [left, right] = [x(c.change.tick), x(Math.min(to, c.change.tick + c.change.length))];
      const how = view.right.some((n) => n.tick === c.change.tick && !n.grace) ? 'struck' : c.meeting.how;
      const hasLeft = view.left.some((n) => n.from === c.change.id);
      return {
        id: c.change.id,
        x: left,
        width: right - left,
        ...nameOf(view, c, left, right),
        hasLeft,
        isPinned: c.fixedBy === 'pin',
        change: c,
        how,
        told: hasLeft && how !== 'struck' ? toldOnSeam(how, c.change.tick, counts, x(to)) : null,
      };
    });
}

/** Letters at the head of the left hand's lane are about this wide, at most: of a chord, of what stands beside it. */
const symbolWidth = (symbol: string): number =>
  [...symbol].reduce((width, letter) => width + (/[mM+°ø]/.test(letter) ? 18 : 13), 0);
const BESIDE_LETTER = 8;
/** The mark of a pin, with the gap before it. */
export const PIN_ROOM = 18;

/** The chord's name; beside it, as far as there is room, the inversion, and the degree at the other end. */
function nameOf(
  view: View,
  c: ArrangedChange,
  left: number,
  right: number,
): Pick<ChangeShape, 'symbol' | 'besideX' | 'position' | 'inversion' | 'degree'> {
  const symbol = typeset(c.change.symbol);
  const besideX = left + TEXT_IN + symbolWidth(symbol) + 5;
  const from = besideX + (c.fixedBy === 'pin' ? PIN_ROOM : 0);
  const fits = (letters: number): boolean => from + letters * BESIDE_LETTER <= right;
  const order = c.voicing.inversion;
  const named = order === null ? 'slash' : SHORT_INVERSION[order];
  const position = playsVoicing(view, c) || isUnderMelody(view, c) ? named : '';
  const inversion = fits(position.length) ? position : '';
  const { numeral } = c.degree;
  const degree = !view.isMelodyOnly && fits(inversion.length + numeral.length + 2) ? numeral : '';
  return { symbol, besideX, position, inversion, degree };
}

const HOW = { held: ['under a held note', 'held'], rest: ['left alone', 'alone'] } as const;
const HOW_LETTER = 8;

/** How a chord is met that the right hand does not strike: after its count, in as many words as there is room for. */
function toldOnSeam(
  how: 'held' | 'rest',
  tick: number,
  counts: readonly Counted[],
  end: number,
): TextMark | null {
  const at = counts.findIndex((count) => count.tick === tick);
  const own = counts[at];
  const next = counts[at + 1];
  if (!own) return null;
  const from = own.x + own.text.length * COUNT_LETTER + 6;
  const text = HOW[how].find((words) => from + words.length * HOW_LETTER <= (next?.x ?? end) - 10);
  return text ? { x: from, y: own.y, text } : null;
}

/** The chord lies in the right hand, whole, with its note on top. */
function isUnderMelody(view: View, { change, layout, voicing }: ArrangedChange): boolean {
  if (!layout.startsWith('under-melody')) return false;
  const struck = view.right.filter((n) => n.tick === change.tick).map((n) => n.midi);
  return voicing.keys.slice(0, -1).every((key) => struck.includes(key));
}

/** A root-based pattern leaves the inversion aside: then none is named. */
function playsVoicing(view: View, { change, voicing }: ArrangedChange): boolean {
  const first = view.left.find((n) => n.tick === change.tick);
  return first !== undefined && first.midi === voicing.keys[0];
}

function stitchesOf(
  view: View,
  notes: readonly NoteShape[],
  blocks: readonly BlockShape[],
  from: number,
  to: number,
  x: (tick: number) => number,
): Stitch[] {
  return view.meetings
    .filter((m) => m.tick >= from && m.tick < to)
    .flatMap((meeting) => {
      const above = notes.filter((n) => n.tick === meeting.tick && !n.isGrace);
      const below = blocks.filter((b) => b.tick === meeting.tick);
      if (above.length === 0 || below.length === 0) return [];
      return [
        {
          x: x(meeting.tick) + THREAD_IN,
          fromY: Math.max(...above.map((n) => n.y)) + NOTE_HEIGHT,
          toY: Math.min(...below.map((b) => b.y)),
          isStrong: meeting.atChange,
        },
      ];
    });
}

/** What is counted at a tick at which something is struck. */
interface CountMark {
  readonly tick: number;
  readonly beat: string;
  readonly part: string | undefined;
  /** A chord begins there: a sign stands on the seam. */
  readonly isSewn: boolean;
}

/** Pixels of a letter of a count, the space after it included. */
const COUNT_LETTER = 10;
/** A count stands just right of its stitch, or of the thread where there is none. */
const COUNT_IN = 14;
const BARE_IN = 8;

/** The counts of a part, only where something is struck; worked out once for all its rows. */
function countsOf({ right, left, bars, changes }: View): CountMark[] {
  const sewn = new Set(changes.map(({ change }) => change.tick));
  const struck = [...right.filter((n) => !n.grace), ...left].map((n) => n.tick);
  return [...new Set(struck)]
    .sort((a, b) => a - b)
    .map((tick) => {
      const [beat, part] = countAt(barAt(bars, tick), tick).split(' ');
      return { tick, beat, part, isSewn: sewn.has(tick) && left.some((n) => n.tick === tick) };
    });
}

/** A count as it stands on the seam. */
interface Counted extends TextMark {
  readonly tick: number;
}

/** What is counted, where it fits before the next count: both words, or within a beat "&" or "e" alone, or nothing. */
function countMarks(counts: readonly CountMark[], x: (tick: number) => number, y: number): Counted[] {
  return counts.flatMap(({ tick, beat, part, isSewn }, i) => {
    const next = counts.at(i + 1);
    const from = x(tick) + (isSewn ? COUNT_IN : BARE_IN);
    const end = next ? x(next.tick) - (next.isSewn ? 4 : 0) : Infinity;
    const fits = (text: string): boolean => from + text.length * COUNT_LETTER <= end;
    const whole = part ? `${beat} ${part}` : beat;
    const text = [beat === counts[i - 1]?.beat ? part : whole, part].find((words) => words && fits(words));
    // A whole beat is never left out.
    const said = text ?? (part ? undefined : beat);
    return said ? [{ tick, x: from, y, text: said }] : [];
  });
}
