import { type Arrangement, changesIn } from '../arrangement';
import { classNameOf, typeset } from '../music';
import type { Part } from '../parts';
import { barAt } from '../song';
import { barsInWords, CHORDS_TO_COME, leftPlayed, partCard, plays, struckLate } from '../words';
import { wordsIn } from './columns';
import { line, text } from './draw';
import { type Block, heading, paragraph } from './flow';
import type { MakeSheet, SheetTask } from './sheet';
import { SIZE, sizeWithin, widthOf } from './text';

/** A stretch of words, or of nothing, with what stands over and under it. */
interface Cell {
  readonly words: string;
  readonly over: string;
  readonly under: string;
  /** The chord changes with it. */
  readonly isStruck: boolean;
  readonly beginsBar: boolean;
}

const SPACE = 1.4;

type Told = (
  arrangement: Arrangement,
  change: Arrangement['changes'][number],
) => Pick<Cell, 'over' | 'under'>;

/** Chord names over the words; bars of chords where nothing is sung. */
export const chordsOverWords: MakeSheet = (task) =>
  wordSheet(task, (_, { change }) => ({ over: typeset(change.symbol), under: '' }), false);

/** The words with the syllables on which a chord is struck marked, and under them what the left hand takes. */
export const meetingWords: MakeSheet = (task) =>
  wordSheet(
    task,
    (_, { change, pitches }) => ({
      over: typeset(change.symbol),
      under: pitches.map((pitch) => typeset(classNameOf(pitch))).join(' '),
    }),
    true,
  );

/** For a pianist who sings: the words, each chord with its count and the bass, without the tune. */
export const forSinging: MakeSheet = (task) =>
  wordSheet(
    task,
    (_, arranged) => {
      const { change, meeting, chord } = arranged;
      const count = struckLate(leftPlayed(task.arrangement), arranged)?.count ?? meeting.count;
      return {
        over: typeset(change.symbol),
        under: `${count}: ${typeset(classNameOf(chord.bass ?? chord.root))}`,
      };
    },
    false,
  );

function wordSheet({ arrangement, room }: SheetTask, told: Told, marks: boolean): Block[] {
  if (arrangement.changes.length + arrangement.played.melody.length + arrangement.played.words.length === 0)
    return paragraph('There are no words and no chords in this song yet.', room.width);
  return arrangement.parts.flatMap((part, index) => {
    const cells = cellsOf(arrangement, part, told);
    const rows = inRows(cells, room.width);
    const head = heading(`${partCard(arrangement, index).title} · ${barsInWords(part)}`, room, part.number);
    const isToCome = cells.some(({ under }) => under !== '') && !plays(arrangement, index, 'left');
    return [
      head,
      ...(isToCome ? paragraph(CHORDS_TO_COME, room.width, { part: part.number, staysWithNext: true }) : []),
      ...rows.map((row) => wordRow(row, room.width, part.number, marks)),
    ];
  });
}

/** Syllables and changes of a part as cells in time: a change between two syllables is a cell without words. */
function cellsOf(arrangement: Arrangement, part: Part, told: Told): Cell[] {
  const words = wordsIn(arrangement, part);
  const changes = new Map(changesIn(arrangement.changes, part).map((change) => [change.change.tick, change]));
  const ticks = [...new Set([...words.map(([tick]) => tick), ...changes.keys()])].sort((a, b) => a - b);
  const sung = new Map(words);
  let lastBar = -1;
  return ticks.map((tick): Cell => {
    const change = changes.get(tick);
    const { number } = barAt(arrangement.played.bars, tick);
    const beginsBar = number !== lastBar;
    lastBar = number;
    return {
      words: sung.get(tick) ?? '',
      ...(change ? told(arrangement, change) : { over: '', under: '' }),
      isStruck: change !== undefined,
      beginsBar,
    };
  });
}

function widthOfCell({ words, over, under, beginsBar, isStruck }: Cell): number {
  // Syllables of one word stand together, unless what is over or under them needs the room.
  const sung = widthOf(words, isStruck ? 'bold' : 'regular', SIZE.large) + (words.endsWith('-') ? 0 : SPACE);
  const above = over === '' ? 0 : widthOf(over, 'bold', SIZE.large) + SPACE;
  const below = under === '' ? 0 : widthOf(under, 'regular', SIZE.small) + SPACE;
  const empty = words === '' && over !== '' ? 14 : 0;
  return Math.max(sung, above, below, empty) + (beginsBar ? 1.2 : 0);
}

function inRows(cells: readonly Cell[], width: number): Cell[][] {
  const rows: Cell[][] = [[]];
  let used = 0;
  cells.forEach((cell, i) => {
    const wide = widthOfCell(cell);
    // A new row begins with a bar, where the next bar would not fit any more.
    const nextBar = cells.findIndex((other, k) => k > i && other.beginsBar);
    const bar = cells.slice(i, nextBar < 0 ? undefined : nextBar).reduce((sum, c) => sum + widthOfCell(c), 0);
    const isFull = used + wide > width || (cell.beginsBar && used + bar > width && bar <= width);
    if (isFull && rows[rows.length - 1].length > 0) {
      rows.push([]);
      used = 0;
    }
    rows[rows.length - 1].push(cell);
    used += wide;
  });
  return rows.filter((row) => row.length > 0);
}

function wordRow(row: readonly Cell[], width: number, part: number, marks: boolean): Block {
  const hasUnder = row.some(({ under }) => under !== '');
  const height = SIZE.large * 2.6 + (hasUnder ? SIZE.small * 1.5 : 0);
  return {
    height,
    above: 2.4,
    staysWithNext: false,
    part,
    draw: (x, y) => {
      let at = x;
      const [overY, wordsY] = [y + SIZE.large, y + SIZE.large * 2.25];
      return row
        .map((cell) => {
          const left = at + (cell.beginsBar ? 1.2 : 0);
          at += widthOfCell(cell);
          const isMarked = marks && cell.isStruck && cell.words !== '';
          const face = isMarked ? 'bold' : 'regular';
          const size = sizeWithin(cell.words, face, SIZE.large, x + width - left);
          const wide = widthOf(cell.words, face, size);
          return [
            cell.beginsBar ? line(left - 0.9, y, left - 0.9, y + height, { pen: 0.15 }) : '',
            text(left, overY, cell.over, { face: 'bold', size: SIZE.large }),
            text(left, wordsY, cell.words, { face, size }),
            isMarked ? line(left, wordsY + 1.1, left + wide, wordsY + 1.1, { pen: 0.7 }) : '',
            text(left, wordsY + SIZE.small * 1.5, cell.under, { size: SIZE.small }),
          ].join('');
        })
        .join('');
    },
  };
}
