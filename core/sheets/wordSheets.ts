import { type ArrangedChange, type Arrangement, changesIn } from '../arrangement';
import { classNameOf, type Pitch, typeset } from '../music';
import { type Part, partIndexAt } from '../parts';
import { barAt } from '../song';
import { barsInWords, CHORDS_TO_COME, leftPlayed, partCard, plays, struckLate } from '../words';
import { byTick, inRows, wordsIn } from './columns';
import { line, text } from './draw';
import { type Block, heading, paragraph } from './flow';
import type { MakeSheet, SheetTask } from './sheet';
import { SIZE, sizeWithin, widthOf } from './text';

/** A stretch of words, or of nothing, with what stands over and under it. */
interface Cell {
  readonly words: string;
  readonly over: string;
  /** What the right hand strikes with it. */
  readonly right: string;
  readonly under: string;
  /** A chord is struck with it. */
  readonly isStruck: boolean;
  readonly beginsBar: boolean;
}

const SPACE = 1.4;

/** What stands round the words at a tick, where a chord may change. */
type Told = (
  arrangement: Arrangement,
  tick: number,
  change: ArrangedChange | undefined,
) => Partial<Pick<Cell, 'over' | 'right' | 'under' | 'isStruck'>>;

const overOf = (arranged: ArrangedChange | undefined): string =>
  arranged ? typeset(arranged.change.symbol) : '';

/** Chord names over the words; bars of chords where nothing is sung. */
export const chordsOverWords: MakeSheet = (task) =>
  wordSheet(task, (_arrangement, _tick, change) => ({ over: overOf(change) }));

/**
 * The words with what each hand strikes under them, the syllables on which a chord is struck marked: what is played at
 * this level, or the chords to come where the left hand rests.
 */
export const meetingWords: MakeSheet = (task) => {
  const { right, left, parts } = task.arrangement;
  const [rightAt, leftAt] = [byTick(right), byTick(left)];
  return wordSheet(task, (arrangement, tick, arranged) => {
    const rests = !plays(arrangement, partIndexAt(parts, tick), 'left');
    const late = arranged ? struckLate(leftPlayed(arrangement), arranged) : null;
    const first = late ? left.find((note) => note.tick > tick && note.from === arranged?.change.id) : null;
    const keys = rests ? arranged?.pitches : leftAt.get(first?.tick ?? tick)?.map(({ pitch }) => pitch);
    const under = keys?.length ? `${late ? `${late.count}: ` : ''}${namesOf(keys)}` : '';
    return {
      over: overOf(arranged),
      right: namesOf(rightAt.get(tick)?.map(({ pitch }) => pitch) ?? []),
      under,
      isStruck: arranged !== undefined && under !== '' && !late,
    };
  });
};

/** "G B D", from the lowest. */
function namesOf(pitches: readonly Pitch[]): string {
  return pitches.map((pitch) => typeset(classNameOf(pitch))).join(' ');
}

/** For a pianist who sings: the words, each chord with its count and the bass, without the tune. */
export const forSinging: MakeSheet = (task) =>
  wordSheet(task, (_arrangement, _tick, arranged) => {
    if (!arranged) return {};
    const { meeting, chord } = arranged;
    const count = struckLate(leftPlayed(task.arrangement), arranged)?.count ?? meeting.count;
    return {
      over: overOf(arranged),
      under: `${count}: ${typeset(classNameOf(chord.bass ?? chord.root))}`,
    };
  });

function wordSheet({ arrangement, room }: SheetTask, told: Told): Block[] {
  if (arrangement.changes.length + arrangement.played.melody.length + arrangement.played.words.length === 0)
    return paragraph('There are no words and no chords in this song yet.', room.width);
  return arrangement.parts.flatMap((part, index) => {
    const cells = cellsOf(arrangement, part, told);
    const rows = inRows(cells, widthOfCell, room.width);
    const head = heading(`${partCard(arrangement, index).title} · ${barsInWords(part)}`, room, part.number);
    const isToCome = cells.some(({ under }) => under !== '') && !plays(arrangement, index, 'left');
    return [
      head,
      ...(isToCome ? paragraph(CHORDS_TO_COME, room.width, { part: part.number, staysWithNext: true }) : []),
      ...rows.map((row) => wordRow(row, room.width, part.number)),
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
    const around = { over: '', right: '', under: '', isStruck: false, ...told(arrangement, tick, change) };
    return { words: sung.get(tick) ?? '', ...around, beginsBar };
  });
}

function widthOfCell({ words, over, right, under, beginsBar, isStruck }: Cell): number {
  // Syllables of one word stand together, unless what is over or under them needs the room.
  const sung = widthOf(words, isStruck ? 'bold' : 'regular', SIZE.large) + (words.endsWith('-') ? 0 : SPACE);
  const above = over === '' ? 0 : widthOf(over, 'bold', SIZE.large) + SPACE;
  const below = Math.max(...[right, under].map((what) => widthOf(what, 'regular', SIZE.small))) + SPACE;
  const empty = words === '' && over !== '' ? 14 : 0;
  return Math.max(sung, above, below, empty) + (beginsBar ? 1.2 : 0);
}

function wordRow(row: readonly Cell[], width: number, part: number): Block {
  const has = (what: 'words' | 'right' | 'under'): boolean => row.some((cell) => cell[what] !== '');
  const words = has('words') ? SIZE.large * 1.25 : 0;
  const right = has('right') ? SIZE.small * 1.5 : 0;
  const under = has('under') ? SIZE.small * 1.5 : 0;
  const height = SIZE.large * 1.35 + words + right + under;
  return {
    height,
    above: 2.4,
    stretch: 3,
    staysWithNext: false,
    part,
    draw: (x, y) => {
      let at = x;
      const overY = y + SIZE.large;
      const wordsY = overY + words;
      return row
        .map((cell) => {
          const left = at + (cell.beginsBar ? 1.2 : 0);
          at += widthOfCell(cell);
          const isMarked = cell.isStruck && cell.words !== '';
          const face = isMarked ? 'bold' : 'regular';
          const size = sizeWithin(cell.words, face, SIZE.large, x + width - left);
          const wide = widthOf(cell.words, face, size);
          return [
            cell.beginsBar ? line(left - 0.9, y, left - 0.9, y + height, { pen: 0.15 }) : '',
            text(left, overY, cell.over, { face: 'bold', size: SIZE.large }),
            text(left, wordsY, cell.words, { face, size }),
            isMarked ? line(left, wordsY + 1.1, left + wide, wordsY + 1.1, { pen: 0.7 }) : '',
            text(left, wordsY + right, cell.right, { size: SIZE.small }),
            text(left, wordsY + right + under, cell.under, { size: SIZE.small }),
          ].join('');
        })
        .join('');
    },
  };
}
