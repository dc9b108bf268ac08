import type { HandNote, Strike } from '../hands';
import { classNameOf, staffStep, typeset } from '../music';
import type { Column } from './columns';
import { box, line, text } from './draw';
import type { Block } from './flow';
import type { Room } from './paper';
import { cutTo, SIZE, sizeWithin, widthOf } from './text';

/** Heights of what stands in a row, in units. */
const BAR_NUMBER = 4.2;
const STEP = 1.5;
const FLATTEST = 0.25;
const SHAPE = 5.2;
const STACK = 5.4;
/** The lane of a moving left hand is no higher than this, unless its chords are. */
const HIGHEST_LEFT = 22;
const WORDS = 5.6;
const SYMBOL = 6.2;
const COUNT = 4.8;
const SEAM = 5;
/** A row that is filled less than so much is not spread over the whole width. */
const SPREAD_FROM = 0.6;

/**
 * A row of the seam on paper: the right hand round, by height, the left square, stacked from below; words, chords and
 * counts between them, a cross where both hands strike. It is told by shape alone, and read in black and white.
 */
export function seamRow(columns: readonly Column[], { width, height: most }: Room, part: number): Block {
  const needed = columns.reduce((sum, column) => sum + Math.min(width, column.width), 0);
  const spread = needed >= width * SPREAD_FROM ? width / needed : 1 / SPREAD_FROM;
  const places: number[] = [];
  let at = 0;
  for (const column of columns) {
    places.push(at);
    at += Math.min(width, column.width) * spread;
  }
  const end = Math.min(at, width);
  /** Where a note is let go: at the next column from then on, or the end of the row. */
  const endOf = ({ tick, length }: HandNote): number =>
    places[columns.findIndex((column) => column.tick >= tick + length)] ?? end;
  const hasWords = columns.some(({ syllable }) => syllable !== '');
  const under = leftLane(columns.map(({ left }) => left));
  const others = BAR_NUMBER + (hasWords ? WORDS : 0) + SYMBOL + COUNT + SEAM + under.lane + 1;
  const rights = columns.map(({ right }) => right);
  const { heights, high, lane } = laneWithin(rights, most - others);
  const height = others + lane;
  return {
    height,
    above: 3,
    stretch: 5,
    staysWithNext: false,
    part,
    draw: (x, y) => {
      const laneTop = y + BAR_NUMBER;
      const wordY = laneTop + lane;
      const symbolY = wordY + (hasWords ? WORDS : 0);
      const countY = symbolY + SYMBOL;
      const seamY = countY + COUNT + SEAM / 2;
      const stackTop = seamY + SEAM / 2;
      const drawn = columns.map((column, i) => {
        const [left, right] = [x + places[i], x + (places[i + 1] ?? end)];
        const room = right - left - 1;
        return [
          column.beginsBar
            ? line(left - 0.6, y + 1, left - 0.6, y + height - 1, { pen: 0.25 }) +
              text(left + 0.4, y + SIZE.small, column.number, { size: SIZE.small })
            : '',
          ...column.right.map((note, k) =>
            held(left, x + endOf(note) - 1, laneTop + (high - heights[i][k]) + SHAPE / 2),
          ),
          ...column.right.map((note, k) =>
            round(note, left, laneTop + (high - heights[i][k]), column, k, room),
          ),
          text(left, wordY + SIZE.body + 0.6, column.syllable, {
            face: 'italic',
            size: sizeWithin(column.syllable, 'italic', SIZE.body, x + width - left),
          }),
          text(left, symbolY + SIZE.large, column.change ? typeset(column.change.change.symbol) : '', {
            face: 'bold',
            size: SIZE.large,
          }),
          text(left, countY + SIZE.small + 0.6, column.count, { size: SIZE.small }),
          stitch(column, left, seamY),
          // The lowest key lies lowest.
          ...column.left.map((note, k) =>
            square(note, left, stackTop + (under.high - under.heights[i][k]), room),
          ),
        ].join('');
      });
      const seam = [-0.7, 0.7].map((away) =>
        line(x, seamY + away, x + end, seamY + away, { pen: 0.25, dashes: '1.6 1' }),
      );
      return seam.join('') + drawn.join('');
    },
  };
}

/** How long a key is held, as a line behind it. */
function held(from: number, to: number, y: number): string {
  return to - from < SHAPE + 1 ? '' : line(from + SHAPE / 2, y, to, y, { pen: 0.25 });
}

interface Lane {
  /** Of the keys of each column, above the lowest there is. */
  readonly heights: readonly (readonly number[])[];
  readonly high: number;
  readonly lane: number;
}

/** The lane of a hand: as high as its range asks for, flatter where the page is not so high. */
function laneWithin(strikes: readonly Strike[], most: number, shape = SHAPE): Lane {
  for (let step = STEP; ; step -= 0.25) {
    const heights = strikes.map((strike) => heightsOf(strike, step, shape));
    const all = heights.flat();
    if (all.length === 0) return { heights, high: 0, lane: 0 };
    const [low, high] = [Math.min(...all), Math.max(...all)];
    const lane = high - low + shape + 1;
    if (lane <= most || step <= FLATTEST) return { heights, high, lane };
  }
}

/** The left hand: whole chords hang from the seam; a figure that moves has each key at its height. */
function leftLane(strikes: readonly Strike[]): Lane {
  const isMoving = strikes.some((strike) => strike.length === 1 || strike.length === 2);
  const most = Math.max(0, ...strikes.map((strike) => strike.length)) * STACK;
  if (isMoving) return laneWithin(strikes, Math.max(most, HIGHEST_LEFT), STACK);
  const heights = strikes.map((strike) => strike.map((_, k) => (k + 1 - strike.length) * STACK));
  return { heights, high: 0, lane: most };
}

/** Heights of the keys of a strike by staff steps, so that none hides another. */
function heightsOf(strike: readonly HandNote[], step: number, shape: number): number[] {
  let under = -Infinity;
  return strike.map(({ pitch }) => {
    const height = Math.max(staffStep(pitch) * step, under + shape);
    under = height;
    return height;
  });
}

function nameOf(note: HandNote): string {
  return typeset(classNameOf(note.pitch));
}

/** A key of the right hand: the tune in a thick outline, what is struck beside it in a thin one. */
function round(
  note: HandNote,
  x: number,
  y: number,
  { right, rightFinger }: Column,
  place: number,
  room: number,
): string {
  const isTop = place === right.length - 1;
  const name = nameOf(note);
  const finger = isTop && rightFinger !== null ? String(rightFinger) : '';
  const fingerWidth = finger === '' ? 0 : widthOf(finger, 'bold', SIZE.small) + 0.8;
  const wide = Math.min(room, Math.max(SHAPE, widthOf(name, 'bold', SIZE.body) + fingerWidth + 2.4));
  return (
    box(
      { x, y, width: wide, height: SHAPE - 0.4 },
      { round: (SHAPE - 0.4) / 2, pen: note.source === 'melody' ? 0.55 : 0.2 },
    ) +
    text(x + 1.2, y + SIZE.body, cutTo(name, 'bold', SIZE.body, wide), { face: 'bold' }) +
    text(x + wide - 1, y + SIZE.small + 0.2, finger, { size: SIZE.small, anchor: 'end' })
  );
}

/** A key of the left hand with its finger. */
function square(note: HandNote, x: number, y: number, room: number): string {
  const finger = note.finger === null ? '' : String(note.finger);
  const wide = Math.min(room, 11);
  return (
    box({ x, y, width: wide, height: STACK - 0.6 }, { fill: '#e6e6e6' }) +
    text(x + 0.8, y + SIZE.body, nameOf(note), { face: 'bold' }) +
    text(x + wide - 0.7, y + SIZE.small + 0.2, wide < 7.4 ? '' : finger, { size: SIZE.small, anchor: 'end' })
  );
}

/** A cross through the seam: heavy where the chord changes, light where hands merely strike at once. */
function stitch({ meets }: Column, x: number, y: number): string {
  if (meets === null) return '';
  const pen = meets === 'at-a-change' ? 0.9 : 0.35;
  return line(x, y - 1.8, x + 3.6, y + 1.8, { pen }) + line(x, y + 1.8, x + 3.6, y - 1.8, { pen });
}
