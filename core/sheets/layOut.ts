import type { Arrangement } from '../arrangement';
import { PRACTISE_SETTINGS } from '../practice';
import { capital, partsInWords } from '../words';
import { chordLegend } from './chordLegend';
import { text } from './draw';
import { type Block, type Filled, paginate } from './flow';
import { type Paper, type Room, roomOn } from './paper';
import { partSheets, partStaves } from './partSheets';
import { planSheet } from './planSheet';
import { fullScore, leadSheet } from './scoreSheets';
import type { MakeSheet, SheetTask, Staves } from './sheet';
import { cutTo, SIZE, widthOf } from './text';
import { titleSheet } from './titleSheet';
import { chordsOverWords, forSinging, meetingWords } from './wordSheets';

interface SheetRow {
  readonly id: string;
  readonly name: string;
  /** What is on it, in a line. */
  readonly what: string;
  readonly make: MakeSheet;
  /** The staves on it, which only the application draws. */
  readonly staves?: keyof Staves;
}

/** The sheets there are, in the order they are used. */
export const SHEETS = [
  { id: 'title', name: 'Title page', what: 'Key, metre, tempo, form and signs', make: titleSheet },
  { id: 'legend', name: 'Chord legend', what: 'Each voicing once, with keys and fingers', make: chordLegend },
  {
    id: 'parts',
    name: 'Part sheets',
    what: 'Each part with letters, fingers and where the hands play together',
    make: partSheets,
  },
  {
    id: 'staves',
    name: 'Part sheets on staves',
    what: 'Each part for those who read',
    make: partStaves,
    staves: 'parts',
  },
  {
    id: 'lead',
    name: 'Lead sheet',
    what: 'The tune on a staff, with symbols',
    make: leadSheet,
    staves: 'lead',
  },
  { id: 'score', name: 'Full score', what: 'Both hands on a grand staff', make: fullScore, staves: 'grand' },
  { id: 'words', name: 'Chords over words', what: 'Words with the chords above', make: chordsOverWords },
  {
    id: 'meetings',
    name: 'Words with chord marks',
    what: 'Words with what each hand strikes, marked where a chord is struck',
    make: meetingWords,
  },
  { id: 'singing', name: 'For singing', what: 'Words, chords, counts and the bass', make: forSinging },
  { id: 'plan', name: 'Practice plan', what: 'Every task, with boxes to tick', make: planSheet },
] as const satisfies readonly SheetRow[];
export type SheetId = (typeof SHEETS)[number]['id'];

/** A page as it is shown and printed. */
export interface Page {
  readonly sheet: SheetId;
  /** From 1, through all sheets. */
  readonly number: number;
  /** The whole page as SVG; its size is that of the paper. */
  readonly svg: string;
  /** Its width by its height. */
  readonly aspect: number;
  /** First and last part on it; null where it is of the whole song. */
  readonly parts: readonly [from: number, to: number] | null;
}

/** What the sheets are made with beside the arrangement: staves drawn elsewhere, and how the pianist practises. */
type Beside = Partial<Pick<SheetTask, 'staves' | 'practises'>>;

/** The chosen sheets as pages, in the order they are given. */
export function layOut(
  arrangement: Arrangement,
  sheets: readonly SheetId[],
  paper: Paper,
  { staves = {}, practises = PRACTISE_SETTINGS }: Beside = {},
): Page[] {
  const room = roomOn(paper);
  const task = { arrangement, room, staves, practises };
  const filled = sheets.flatMap((id) => {
    const row = SHEETS.find((sheet) => sheet.id === id) as SheetRow;
    const blocks = row.make(task).map((block) => within(block, room));
    return paginate(blocks, room.height).map((page) => ({ id, name: row.name, page }));
  });
  return filled.map(({ id, name, page }, i): Page => {
    const parts = partsOn(page);
    const foot = `page ${i + 1} of ${filled.length} · ${arrangement.song.title}`;
    const head = parts ? capital(partsInWords(parts)) : '';
    return {
      sheet: id,
      number: i + 1,
      parts,
      aspect: room.pageWidth / room.pageHeight,
      svg: pageSvg(page, room, head, name, foot),
    };
  });
}

/** One part of a part sheet as a page no higher than it needs. */
export function partPage(
  arrangement: Arrangement,
  number: number,
  sheet: 'parts' | 'staves',
  paper: Paper,
  { staves = {}, practises = PRACTISE_SETTINGS }: Beside = {},
): Page {
  const whole = roomOn(paper);
  const make: MakeSheet = sheet === 'parts' ? partSheets : partStaves;
  const blocks = make({ arrangement, room: whole, staves, practises }).filter(({ part }) => part === number);
  const [page] = paginate(
    blocks.map(({ stretch: _stretch, ...block }) => block),
    Infinity,
  );
  const last = page.blocks[page.blocks.length - 1];
  const height = last.y + last.block.height;
  const room = { ...whole, height, pageHeight: whole.pageHeight - whole.height + height };
  const name = SHEETS.find(({ id }) => id === sheet)?.name ?? '';
  return {
    sheet,
    number: 1,
    parts: [number, number],
    aspect: room.pageWidth / room.pageHeight,
    svg: pageSvg(page, room, '', name, arrangement.song.title),
  };
}

/** A block that is higher than a page is drawn smaller: nothing is ever cut. */
function within(block: Block, { height }: Room): Block {
  if (block.height <= height) return block;
  const scale = height / block.height;
  return {
    ...block,
    height,
    draw: (x, y) => `<g transform="translate(${x} ${y}) scale(${scale.toFixed(4)})">${block.draw(0, 0)}</g>`,
  };
}

function partsOn({ blocks }: Filled): [number, number] | null {
  const numbers = blocks.flatMap(({ block: { part, lastPart = part } }) =>
    [part ?? [], lastPart ?? []].flat(),
  );
  return numbers.length === 0 ? null : [Math.min(...numbers), Math.max(...numbers)];
}

function pageSvg(page: Filled, room: Room, head: string, name: string, below: string): string {
  const { pageWidth, pageHeight, left, top, width, scale } = room;
  const nameWidth = widthOf(name, 'regular', SIZE.small);
  const title = cutTo(head, 'regular', SIZE.small, width - nameWidth - 4);
  const headY = top - 4.5;
  const footY = pageHeight - (pageHeight - top - room.height) + 7;
  const foot = cutTo(below, 'regular', SIZE.small, width);
  const drawn = page.blocks.map(({ block, y }) => block.draw(left, top + y)).join('');
  const size = `width="${pageWidth * scale}mm" height="${pageHeight * scale}mm"`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" class="sheet" ${size} viewBox="0 0 ${pageWidth} ${pageHeight}">` +
    text(left, headY, title, { size: SIZE.small }) +
    text(left + width, headY, name, { size: SIZE.small, anchor: 'end' }) +
    drawn +
    text(left + width / 2, footY, foot, { size: SIZE.small, anchor: 'middle' }) +
    '</svg>'
  );
}
