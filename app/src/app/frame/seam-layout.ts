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

const ROW_GAP = 14;
const BAR_LINE_ROOM = 24;
const STEP = 7.5;
/** Where there is height to spare, pitch is drawn up to this much higher. */
const MOST_STRETCH = 2;
/** The thread runs just left of the words it passes. */
const THREAD_IN = 4;
const CHORD_BAND = 27;
const COUNT_BAND = 24;
const SEAM_BAND = 18;
const INVERSION_BAND = 22;

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
 * The layout of a part at the largest scale at which all of it fits the height; else with as many whole rows at a time as
 * fit, no more rows than at scale 1, as large as these allow; a single row that is too high is drawn a little smaller. Scales are tried by height alone, which follows from the
 * number of rows; shapes are made once.
 */
export function fitSeam(view: SeamView, room: Room): FittedSeam {
  const spans = barSpans(view, room.width);
  const scales = SCALES.filter((scale) => room.isAlone || scale <= MOST_BESIDE_PANELS);
  const rowsAt = (scale: number): number => rowsOf(spans, usableWidth(Math.floor(room.width / scale))).length;
  const whole = scales.find((scale) => heightOf(view, rowsAt(scale), 1) <= room.height / scale);
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

/** Whole rows of a part that a height holds. */
function rowsThatFit(view: SeamView, height: number): number {
  const row = heightOf(view, 1, 1);
  return Math.floor((height + ROW_GAP) / (row + ROW_GAP));
}

/** Height of so many rows of a layout, in its own pixels. */
export function heightOfRows({ rows, height }: SeamLayout, count: number): number {
  const last = rows[count - 1];
  return last ? last.top + last.height : height;
}

/** How much the right-hand lane is heightened to use what is left of the room. */
function stretchFor(view: SeamView, rows: number, height: number): number {
  const spare = (height - heightOf(view, rows, 1)) / rows;
  const lane = view.rightMost > 1 ? 0 : (view.rightRange[1] - view.rightRange[0]) * STEP;
  return spare <= 0 || lane <= 0 ? 1 : Math.min(MOST_STRETCH, 1 + spare / lane);
}

/** Height of so many rows: every row of a part is as high as the others. */
function heightOf(view: SeamView, rows: number, stretch: number): number {
  const row = bandsOf({ ...view, step: STEP * stretch }, 0).bottom;
  return rows * row + (rows - 1) * ROW_GAP;
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
    height: Math.max(0, top - ROW_GAP),
    rightHeight: rightHeight(view),
    leftHeight: leftHeight(view),
  };
}

/** Where each band of a row lies. */
interface Bands {
  readonly rightTop: number;
  readonly lyricTop: number;
  readonly chordY: number;
  readonly countY: number;
  readonly seamY: number;
  readonly leftTop: number;
  readonly inversionY: number;
  readonly bottom: number;
}

function bandsOf(view: View, top: number): Bands {
  const rightTop = top + BAR_LINE_ROOM;
  const lyricTop = rightTop + rightHeight(view);
  const chordY = lyricTop + (view.hasLyrics ? LYRIC_LINE : 0) + CHORD_BAND - 7;
  const countY = chordY + COUNT_BAND;
  const seamY = countY + 6 + SEAM_BAND / 2;
  const leftTop = seamY + SEAM_BAND / 2 + 2;
  const inversionY = view.isMelodyOnly ? countY + 4 : leftTop + leftHeight(view) + INVERSION_BAND - 6;
  return { rightTop, lyricTop, chordY, countY, seamY, leftTop, inversionY, bottom: inversionY + 6 };
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
  const { rightTop, lyricTop, chordY, countY, seamY, leftTop, inversionY, bottom } = bandsOf(view, top);
  const place = { x, perTick: pixelsPerTick, rowEnd: toTick };
  const notes = noteShapes(view, between(view.right, fromTick, toTick), place, rightTop);
  const blocks = blockShapes(view, between(view.left, fromTick, toTick), place, leftTop);
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
    changes: changeShapes(view, fromTick, toTick, x),
    stitches: stitchesOf(view, notes, blocks, fromTick, toTick, x),
    lyrics: placeLyrics(between(view.words, fromTick, toTick), x, lyricTop, LEFT_MARGIN + usable),
    counts: countMarks(between(counts, fromTick, toTick), x, countY),
    chordY,
    countY,
    seamY,
    inversionY,
    pixelsPerTick,
  };
}

const SHORT_INVERSION = ['root', '1st inv.', '2nd inv.', '3rd inv.', '9th low', '11th low', '13th low'];

function changeShapes(view: View, from: number, to: number, x: (tick: number) => number): ChangeShape[] {
  return view.changes
    .filter((c) => c.change.tick >= from && c.change.tick < to)
    .map((c) => ({
      id: c.change.id,
      x: x(c.change.tick),
      width: x(Math.min(to, c.change.tick + c.change.length)) - x(c.change.tick),
      symbol: typeset(c.change.symbol),
      ...underneath(view, c, x(Math.min(to, c.change.tick + c.change.length)) - x(c.change.tick)),
      hasLeft: view.left.some((n) => n.from === c.change.id),
      isPinned: c.fixedBy === 'pin',
      change: c,
      how: view.right.some((n) => n.tick === c.change.tick && !n.grace) ? 'struck' : c.meeting.how,
    }));
}

/** What is written under the blocks: the inversion, and the degree at the other end. */
function underneath(view: View, c: ArrangedChange, width: number): Pick<ChangeShape, 'inversion' | 'degree'> {
  const { inversion } = c.voicing;
  const named = inversion === null ? 'slash' : SHORT_INVERSION[inversion];
  const position = playsVoicing(view, c) || isUnderMelody(view, c) ? named : '';
  return { inversion: position, degree: view.isMelodyOnly ? '' : degreeBeside(position, c, width) };
}

/** Letters of the line under the blocks are about this wide, at most. */
const LETTER_WIDTH = 9.5;

/** The degree, where there is room for it beside the inversion. */
function degreeBeside(inversion: string, { degree }: ArrangedChange, width: number): string {
  return (inversion.length + degree.numeral.length + 2) * LETTER_WIDTH <= width ? degree.numeral : '';
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
}

/** Pixels of a letter of a count, the space after it included. */
const COUNT_LETTER = 10;

/** The counts of a part, only where something is struck; worked out once for all its rows. */
function countsOf({ right, left, bars }: View): CountMark[] {
  const struck = [...right.filter((n) => !n.grace), ...left].map((n) => n.tick);
  return [...new Set(struck)]
    .sort((a, b) => a - b)
    .map((tick) => {
      const [beat, part] = countAt(barAt(bars, tick), tick).split(' ');
      return { tick, beat, part };
    });
}

function countMarks(counts: readonly CountMark[], x: (tick: number) => number, y: number): TextMark[] {
  return counts.flatMap(({ tick, beat, part }, i) => {
    // Within a beat already counted, and where there is no room for both, only "&" or "e" is said.
    const room = i + 1 < counts.length ? x(counts[i + 1].tick) - x(tick) : Infinity;
    const isShort = part !== undefined && (beat === counts[i - 1]?.beat || room < 34);
    const text = isShort ? part : part ? `${beat} ${part}` : beat;
    // Three against two: what would run into the next count is left out, a whole beat never.
    if (part !== undefined && text.length * COUNT_LETTER > room) return [];
    return [{ x: x(tick) + TEXT_IN, y, text }];
  });
}
