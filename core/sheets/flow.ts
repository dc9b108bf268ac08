import { line, text } from './draw';
import type { Room } from './paper';
import { cutTo, type Face, LEADING, SIZE, widthOf, wrapped } from './text';

/** Something that stands on one page, whole; heights and places in units. */
export interface Block {
  readonly height: number;
  /** Room above it, left out at the top of a page. */
  readonly above: number;
  /** It is not the last on a page: a heading stays with what it heads. */
  readonly staysWithNext: boolean;
  /** Number of the part it is of; null: of the whole. */
  readonly part: number | null;
  readonly draw: (x: number, y: number) => string;
}

/** The blocks of one page, each with the distance of its top from the top of the room. */
export interface Filled {
  readonly blocks: readonly { readonly block: Block; readonly y: number }[];
}

/**
 * Puts blocks on pages in order, as many on each as fit, a heading with what follows it.
 * @throws where a block is higher than a page: nothing is ever cut.
 */
export function paginate(blocks: readonly Block[], height: number): Filled[] {
  const pages: Filled[] = [];
  let page: { block: Block; y: number }[] = [];
  let y = 0;
  for (let i = 0; i < blocks.length;) {
    // A heading and what it heads go together, as long as both fit on one page.
    let to = i;
    while (blocks[to].staysWithNext && to + 1 < blocks.length) to++;
    const group = fitting(blocks.slice(i, to + 1), height);
    const needed = heightOf(group, page.length === 0);
    if (page.length > 0 && y + needed > height) {
      pages.push({ blocks: page });
      page = [];
      y = 0;
      continue;
    }
    for (const block of group) {
      if (block.height > height) throw new RangeError(`A block of ${block.height} on a page of ${height}.`);
      if (page.length > 0) y += block.above;
      page.push({ block, y });
      y += block.height;
    }
    i += group.length;
  }
  if (page.length > 0) pages.push({ blocks: page });
  return pages;
}

/** As many of a group as fit on a page of their own: one at least. */
function fitting(group: readonly Block[], height: number): readonly Block[] {
  let count = group.length;
  while (count > 1 && heightOf(group.slice(0, count), true) > height) count--;
  return group.slice(0, count);
}

function heightOf(group: readonly Block[], isFirst: boolean): number {
  return group.reduce((sum, { above, height }, i) => sum + height + (i === 0 && isFirst ? 0 : above), 0);
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

/** A text as blocks, a line each, so that a page may end between any two. */
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
    staysWithNext,
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
    staysWithNext: true,
    part,
    draw: (x, y) =>
      text(x, y + size, cutTo(what, 'title', size, room.width), { face: 'title', size }) +
      line(x, y + size * LEADING, x + room.width, y + size * LEADING, { pen: 0.4 }),
  };
}
