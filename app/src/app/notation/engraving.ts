import { brokenEvenly } from '@joined-hands/core/paths';
import type { Drawn } from '@joined-hands/core/sheets';

/** What is asked of the engraver, whoever loads it. */
export interface Toolkit {
  setOptions(options: object): void;
  /** Whether the score could be read. */
  loadData(score: string): boolean | number;
  getPageCount(): number;
  renderToSVG(page: number): string;
}

/** Draws scores, wherever it runs. */
export interface Engraver {
  /** All systems of a MusicXML score; `drawn` is told how many there are so far. Fails where it cannot be read. */
  systems(score: string, look: Look, drawn: (count: number) => void): Promise<Drawn[]>;
}

/** How a score is drawn. */
export interface Look {
  /** How wide a system is, in staves: its width by the height of a staff of five lines. */
  readonly width: number;
  /** Bars are put on lines as the engraver does by itself: half the time, and lines that are less even. */
  readonly isQuick?: boolean;
}

/** The height of a staff in the engraver's units. */
const STAFF = 72;
/** The last line is as wide as the others where it is filled so far. */
const FILLED = 0.6;
/** Room round a system, in the engraver's units: numbers of bars stand left of the staff, signs above it. */
const [LEFT, RIGHT, TOP] = [36, 4, 14];

/**
 * Options for an even page: systems one by one, so that pages are filled with what is drawn, whatever it needs.
 * Source: tried on the demo songs at every level; the engraver's own names.
 */
const OPTIONS = {
  inputFrom: 'musicxml',
  scale: 100,
  systemMaxPerPage: 1,
  adjustPageHeight: true,
  pageHeight: 60_000,
  header: 'none',
  footer: 'none',
  pageMarginLeft: LEFT,
  pageMarginRight: RIGHT,
  pageMarginTop: TOP,
  pageMarginBottom: TOP,
  spacingNonLinear: 0.6,
  spacingLinear: 0.25,
  lyricSize: 4,
  fingeringScale: 0.7,
  minLastJustification: FILLED,
  mnumInterval: 0,
  svgViewBox: true,
  smuflTextFont: 'none',
} as const;

/** So many bars at most are measured before they are put on lines: longer scores are drawn at once. */
const MOST_MEASURED = 100;
/** What it costs that a line ends where no part does, of what a line left empty does. */
const PART_BROKEN = 0.03;

/**
 * The systems of a MusicXML score, one after the other: as few as hold it, filled evenly, broken where parts begin if
 * that costs little.
 *
 * @throws Error where the engraver cannot read the score.
 */
export function* engrave(toolkit: Toolkit, score: string, { width, isQuick }: Look): Generator<Drawn> {
  const load = (text: string, differs: object): number => {
    const pageWidth = Math.round(width * STAFF);
    toolkit.setOptions({ ...OPTIONS, noJustification: false, pageWidth, ...differs });
    toolkit.loadData(text);
    return toolkit.getPageCount();
  };
  const isMeasured = !isQuick && barsOf(score) <= MOST_MEASURED;
  let count = load(score, { breaks: 'auto', noJustification: isMeasured });
  if (isMeasured) {
    const natural = Array.from({ length: count }, (_, i) => toolkit.renderToSVG(i + 1));
    if (!natural[0].includes(BAR)) throw new Error(UNREAD);
    const { lines, pageWidth } = linesOf(score, natural, Math.round(width * STAFF));
    const breaks = lines.length === 1 ? 'auto' : 'encoded';
    count = load(brokenAt(score, lines), { breaks, pageWidth });
  } else if (!isQuick && count > 1 && barsIn(toolkit.renderToSVG(count)) === 1) {
    const lines = Array.from({ length: count }, (_, i) => barsIn(toolkit.renderToSVG(i + 1)));
    count = load(brokenAt(score, withoutLoneBar(lines)), { breaks: 'encoded' });
  }
  for (let page = 1; page <= count; page++) {
    const drawn = drawnFrom(toolkit.renderToSVG(page));
    if (drawn.bars === 0) throw new Error(UNREAD);
    yield drawn;
  }
}

const UNREAD = 'the engraver could not read the score';
/** What a bar is in the engraver's pictures. */
const BAR = 'class="measure"';

/** Lines of so many bars, of which the last has taken some of the one before. */
function withoutLoneBar(lines: readonly number[]): number[] {
  const [before, last] = lines.slice(-2);
  const taken = Math.floor((before - last) / 2);
  return [...lines.slice(0, -2), before - taken, last + taken];
}

function barsOf(score: string): number {
  return score.match(/<measure /g)?.length ?? 0;
}

/** Notes may be pressed together so far, as the engraver does by itself. */
const PRESSED = 1.025;
/** Units of the engraver's pictures in one of its options. */
const FINE = 10;
/** Room behind the last sign at the beginning of a line, in units of the picture. */
const AFTER_SIGNS = 230;

/**
 * How many bars each line has, from lines that were drawn without being spread; and how wide a line is. Where a bar is
 * wider than a line all lines are: the whole is drawn smaller, and nothing pressed into one another.
 */
function linesOf(
  score: string,
  natural: readonly string[],
  pageWidth: number,
): { readonly lines: number[]; readonly pageWidth: number } {
  const parts = score.split('<measure ').map((bar) => bar.includes('<rehearsal'));
  const signs = natural.map(signsBefore);
  const widths = natural.flatMap((svg, line) =>
    barWidths(svg).map((width, i) => width - (i === 0 ? signs[line] : 0)),
  );
  // What stands before the first bar alone, its metre, is part of it.
  const usual = Math.max(0, ...signs.slice(1));
  const pieces = widths.map((width, i) => ({
    size: width + (i === 0 ? Math.max(0, signs[0] - usual) : 0),
    before: 0,
    cost: parts[i + 1] ? 0 : PART_BROKEN,
  }));
  const beside = (LEFT + RIGHT) * FINE + usual;
  const widest = Math.max(...pieces.map(({ size }) => size));
  const wide = Math.max(pageWidth, Math.ceil((widest / PRESSED + beside) / FINE));
  return { lines: brokenEvenly(pieces, (wide * FINE - beside) * PRESSED), pageWidth: wide };
}

/** How wide each bar of a line is drawn, by the first line of its staff. */
function barWidths(svg: string): number[] {
  return svg
    .split(BAR)
    .slice(1)
    .map((bar) => {
      const [, from, to] = /<path d="M(\d+) \d+ L(\d+) /.exec(bar.slice(bar.indexOf('class="staff"'))) ?? [];
      return Number(to) - Number(from);
    });
}

/** How wide clef, key and metre are at the beginning of a line. */
function signsBefore(svg: string): number {
  const [, first = ''] = svg.split(BAR);
  const start = /<path d="M(\d+) /.exec(first.slice(first.indexOf('class="staff"')))?.[1] ?? 0;
  const groups = first.split(/class="(?=(?:clef|keySig|keyAccid|meterSig)")/).slice(1);
  const places = groups.map((group) => Number(/translate\((\d+),/.exec(group)?.[1] ?? 0));
  return Math.max(0, ...places) + AFTER_SIGNS - Number(start);
}

function barsIn(svg: string): number {
  return svg.split(BAR).length - 1;
}

/** A score with so many bars on each line. */
function brokenAt(score: string, lines: readonly number[]): string {
  const starts = new Set<number>();
  let sum = 0;
  for (const bars of lines) starts.add((sum += bars));
  let at = -1;
  return score.replace(/<measure [^>]*>/g, (tag) =>
    starts.has(++at) ? `${tag}<print new-page="yes"/>` : tag,
  );
}

/** Of the engraver's own style sheet, which a strict policy forbids: what is bold and what italic, and lines in the colour of the hand. */
const BOLD = /class="(?:ending|fing|reh|tempo)\b[^"]*"/g;
const ITALIC = /class="(?:dir|dynam|mNum)\b[^"]*"/g;
const LINES = /<(ellipse|path|polygon|polyline|rect)(?![^>]*\sstroke=)/g;

/** The engraver's SVG without its root, its fonts and its styles: what they say is said by attributes. */
function drawnFrom(svg: string): Drawn {
  const viewBox = /<svg viewBox="([^"]+)"/.exec(svg)?.[1] ?? '0 0 1 1';
  const [, , wide, high] = viewBox.split(' ').map(Number);
  const inside = svg
    .slice(svg.indexOf('>') + 1, svg.lastIndexOf('</svg>'))
    .replace(/<style[^>]*>[\s\S]*?<\/style>/g, '')
    .replace(/<desc>[\s\S]*?<\/desc>/g, '')
    .replace(/ style="[^"]*"/g, '')
    .replaceAll('font-family="Times, serif"', 'font-family="Tinos, serif"')
    .replaceAll('xlink:href', 'href')
    .replace(BOLD, '$& font-weight="bold"')
    .replace(ITALIC, '$& font-style="italic"')
    .replace(LINES, '<$1 stroke="currentColor"')
    .replace(/>\s+</g, '><');
  const bars = barsIn(inside);
  return { svg: `<g class="engraved">${inside}</g>`, viewBox, aspect: wide / high, bars };
}
