import { brokenEvenly } from '../paths';
import { line, text } from './draw';
import type { Room } from './paper';
import { cutTo, type Face, LEADING, SIZE, widthOf, wrapped } from './text';

/** Something that stands on one page, whole; heights and places in units. */
export interface Block {
  readonly height: number;
  /** Room above it, left out at the top of a page. */
  readonly above: number;
  /** How much more room may be above it where a page would be left empty. */
  readonly stretch?: number;
  /** It is not the last on a page: a heading stays with what it heads. */
  readonly staysWithNext: boolean;
  /** Number of the part it is of; null: of the whole. */
  readonly part: number | null;
  /** Number of the last part it has something of; absent: it is of one. */
  readonly lastPart?: number;
  readonly draw: (x: number, y: number) => string;
}

/** The blocks of one page, each with the distance of its top from the top of the room. */
export interface Filled {
  readonly blocks: readonly { readonly block: Block; readonly y: number }[];
}

/** What it costs to break a part over two pages, of what a page left empty does. */
const PART_BROKEN = 0.1;

/**
 * Puts blocks on pages in order, on as few as hold them and those filled evenly, a heading with what follows it.
 * @throws where a block is higher than a page: nothing is ever cut.
 */
export function paginate(blocks: readonly Block[], height: number): Filled[] {
  const tooHigh = blocks.find((block) => block.height > height);
  if (tooHigh) throw new RangeError(`A block of ${tooHigh.height} on a page of ${height}.`);
  const groups = groupsOf(blocks, height);
  const pieces = groups.map((group, i) => ({
    size: heightOf(group),
    before: group[0].above,
    cost: group[0].part !== null && group[0].part === groups[i - 1]?.at(-1)?.part ? PART_BROKEN : 0,
  }));
  let at = 0;
  return brokenEvenly(pieces, height).map((count) => {
    const page = groups.slice(at, at + count).flat();
    at += count;
    return { blocks: placed(page, height) };
  });
}

/** What stays together, as long as it fits on one page. */
function groupsOf(blocks: readonly Block[], height: number): Block[][] {
  const groups: Block[][] = [];
  for (const block of blocks) {
    const group = groups.at(-1);
    const stays = group?.at(-1)?.staysWithNext && heightOf([...group, block]) <= height;
    if (group && stays) group.push(block);
    else groups.push([block]);
  }
  return groups;
}

function heightOf(group: readonly Block[]): number {
  return group.reduce((sum, { above, height }, i) => sum + height + (i === 0 ? 0 : above), 0);
}

/** Blocks of one page at their places: what is left empty is shared out above those that may stand further apart. */
function placed(blocks: readonly Block[], height: number): Filled['blocks'] {
  const spare = height - heightOf(blocks);
  const most = blocks.slice(1).reduce((sum, { stretch = 0 }) => sum + stretch, 0);
  const share = most > 0 ? Math.min(1, spare / most) : 0;
  let y = 0;
  return blocks.map((block, i) => {
    if (i > 0) y += block.above + (block.stretch ?? 0) * share;
    const at = y;
    y += block.height;
    return { block, y: at };
  });
}

interface ParagraphStyle {
  readonly face?: Face;
  readonly size?: number;
  readonly above?: number;
  readonly part?: number | null;
  readonly staysWithNext?: boolean;
  /** Before its first line, hanging: "3. ". */
  readonly lead?: string;
}

/** A text as blocks, a line each; a page may end between any two that leave no line of it alone. */
export function paragraph(what: string, width: number, style: ParagraphStyle = {}): Block[] {
  const {
    face = 'regular',
    size = SIZE.body,
    above = 0,
    part = null,
    staysWithNext = false,
    lead = '',
  } = style;
  const indent = lead === '' ? 0 : widthOf(lead, face, size);
  const lines = wrapped(what, face, size, width - indent);
  return lines.map((words, i) => ({
    height: size * LEADING,
    above: i === 0 ? above : 0,
    staysWithNext: staysWithNext || (i + 1 < lines.length && (i === 0 || i + 2 === lines.length)),
    part,
    draw: (x, y) =>
      (i === 0 ? text(x, y + size, lead, { face, size }) : '') +
      text(x + indent, y + size, words, { face, size }),
  }));
}

/** A heading, at the top of what it heads. */
export function heading(what: string, room: Room, part: number | null = null): Block {
  const size = SIZE.head;
  return {
    height: size * LEADING + 1.5,
    above: 5,
    stretch: 8,
    staysWithNext: true,
    part,
    draw: (x, y) =>
      text(x, y + size, cutTo(what, 'title', size, room.width), { face: 'title', size }) +
      line(x, y + size * LEADING, x + room.width, y + size * LEADING, { pen: 0.4 }),
  };
}
