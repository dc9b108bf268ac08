import { type Face, SIZE } from './text';

// Pieces of a page as SVG. Presentation is by attributes and classes: a strict policy forbids styles in the page.

const two = (x: number): string => String(Math.round(x * 100) / 100);

function escaped(text: string): string {
  // What XML cannot hold at all is left out.
  return [...text]
    .filter((sign) => (sign.codePointAt(0) ?? 0) >= 32)
    .join('')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');
}

interface TextStyle {
  readonly face?: Face;
  readonly size?: number;
  readonly anchor?: 'start' | 'middle' | 'end';
  /** White on what is filled in. */
  readonly isLight?: boolean;
}

/** A text; `y` is the line its letters stand on. */
export function text(x: number, y: number, what: string, style: TextStyle = {}): string {
  if (what === '') return '';
  const { face = 'regular', size = SIZE.body, anchor = 'start', isLight = false } = style;
  const at = anchor === 'start' ? '' : ` text-anchor="${anchor}"`;
  const colour = isLight ? ' fill="#fff"' : '';
  return `<text class="${face}" x="${two(x)}" y="${two(y)}" font-size="${two(size)}"${at}${colour}>${escaped(what)}</text>`;
}

interface Pen {
  /** Width of the line in units. */
  readonly pen?: number;
  readonly dashes?: string;
}

export function line(
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  { pen = 0.3, dashes }: Pen = {},
): string {
  const dashed = dashes ? ` stroke-dasharray="${dashes}"` : '';
  return `<line x1="${two(x1)}" y1="${two(y1)}" x2="${two(x2)}" y2="${two(y2)}" stroke="#000" stroke-width="${two(pen)}"${dashed}/>`;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A rectangle: an outline unless it is filled; `round` is the radius of its corners. */
export function box(
  { x, y, width, height }: Box,
  { fill = '#fff', round = 0, pen = 0.3 }: { fill?: string; round?: number; pen?: number } = {},
): string {
  const corners = round > 0 ? ` rx="${two(round)}"` : '';
  return `<rect x="${two(x)}" y="${two(y)}" width="${two(width)}" height="${two(height)}"${corners} fill="${fill}" stroke="#000" stroke-width="${two(pen)}"/>`;
}

export function disc(x: number, y: number, radius: number, fill = '#000'): string {
  return `<circle cx="${two(x)}" cy="${two(y)}" r="${two(radius)}" fill="${fill}" stroke="#000" stroke-width="0.3"/>`;
}

/** A picture drawn elsewhere, in its place. */
export function inner({ x, y, width, height }: Box, viewBox: string, content: string): string {
  return `<svg x="${two(x)}" y="${two(y)}" width="${two(width)}" height="${two(height)}" viewBox="${escaped(viewBox)}">${content}</svg>`;
}
