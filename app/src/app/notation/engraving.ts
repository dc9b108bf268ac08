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
}

/** The height of a staff in the engraver's units. */
const STAFF = 72;
/** Room round a system, in the engraver's units: numbers of bars stand left of the staff, signs above it. */
const [LEFT, TOP] = [36, 14];

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
  pageMarginRight: 4,
  pageMarginTop: TOP,
  pageMarginBottom: TOP,
  spacingNonLinear: 0.6,
  spacingLinear: 0.25,
  lyricSize: 4,
  fingeringScale: 0.7,
  mnumInterval: 0,
  svgViewBox: true,
  smuflTextFont: 'none',
} as const;

/**
 * The systems of a MusicXML score, one after the other, none at the end with one bar alone unless lines are that short.
 *
 * @throws Error where the engraver cannot read the score.
 */
export function* engrave(toolkit: Toolkit, score: string, { width }: Look): Generator<Drawn> {
  const load = (text: string, breaks: 'auto' | 'encoded'): number => {
    toolkit.setOptions({
      ...OPTIONS,
      breaks,
      pageWidth: Math.round(width * STAFF),
    });
    toolkit.loadData(text);
    return toolkit.getPageCount();
  };
  let count = load(score, 'auto');
  const last = drawnFrom(toolkit.renderToSVG(count));
  if (last.bars === 0) throw new Error('the engraver could not read the score');
  // Where a line holds hardly more than a bar, sharing out would only press words into one another.
  if (count > 1 && last.bars === 1 && barsOf(score) >= FEW * count)
    count = load(brokenEvenly(score, count), 'encoded');
  for (let page = 1; page <= count; page++) yield drawnFrom(toolkit.renderToSVG(page));
}

/** So many bars a line there are at least where bars are shared out. */
const FEW = 1.5;

function barsOf(score: string): number {
  return score.match(/<measure /g)?.length ?? 0;
}

/** A score whose bars are shared out over so many systems, as evenly as they are. */
function brokenEvenly(score: string, systems: number): string {
  const bars = barsOf(score);
  const starts = new Set(
    Array.from({ length: systems - 1 }, (_, i) => Math.round(((i + 1) * bars) / systems)),
  );
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
  const bars = inside.match(/class="measure"/g)?.length ?? 0;
  return { svg: `<g class="engraved">${inside}</g>`, viewBox, aspect: wide / high, bars };
}
