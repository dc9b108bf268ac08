import { type Page } from './layOut';
import { type Paper, paperMm } from './paper';

/** The files of the fonts sheets are set in, as the packages they come from name them. */
export const SHEET_FONTS = {
  regular: 'atkinson-hyperlegible-next-latin-wght-normal.woff2',
  italic: 'atkinson-hyperlegible-next-latin-wght-italic.woff2',
  title: 'fraunces-latin-opsz-normal.woff2',
  accidentals: 'dejavu-sans-latin-400-normal.woff2',
  boldAccidentals: 'dejavu-sans-latin-700-normal.woff2',
  score: 'tinos-latin-400-normal.woff2',
  boldScore: 'tinos-latin-700-normal.woff2',
  italicScore: 'tinos-latin-400-italic.woff2',
  boldItalicScore: 'tinos-latin-700-italic.woff2',
  signs: 'leipzig.woff2',
} as const;
/** The same faces for a PDF, in files that hold one weight each. */
export const PDF_FONTS = {
  regular: 'atkinson-hyperlegible-next-latin-400-normal.woff',
  bold: 'atkinson-hyperlegible-next-latin-700-normal.woff',
  italic: 'atkinson-hyperlegible-next-latin-400-italic.woff',
  title: 'fraunces-latin-600-normal.woff',
  accidentals: 'dejavu-sans-latin-400-normal.woff',
  boldAccidentals: 'dejavu-sans-latin-700-normal.woff',
  score: 'tinos-latin-400-normal.woff',
  boldScore: 'tinos-latin-700-normal.woff',
  italicScore: 'tinos-latin-400-italic.woff',
  boldItalicScore: 'tinos-latin-700-italic.woff',
  signs: 'leipzig.woff',
} as const;
/** The fonts a page of its own carries along, as data addresses. */
export type SheetFonts = Readonly<Record<keyof typeof SHEET_FONTS, string>>;

/** What says how letters of a sheet look: the same on the screen, in the application and in a page of its own. */
export const SHEET_STYLE = `
.sheet { display: block; background: #fff; }
.sheet text { white-space: pre; font-kerning: none; font-variant-ligatures: none; font-optical-sizing: none; }
.sheet .regular { font-family: Accidentals, 'Atkinson Hyperlegible Next', sans-serif; }
.sheet .bold { font-family: Accidentals, 'Atkinson Hyperlegible Next', sans-serif; font-weight: 700; }
.sheet .italic { font-family: Accidentals, 'Atkinson Hyperlegible Next', sans-serif; font-style: italic; }
.sheet .title { font-family: Accidentals, Fraunces, serif; font-weight: 600; }
`;

/** The size of the paper for printing, with no margin but the pages' own. */
export function paperStyle(paper: Paper): string {
  const [wide, high] = paperMm(paper);
  return `@page { size: ${wide}mm ${high}mm; margin: 0; }`;
}

/** The fonts of a page that is on its own. */
function facesOf(fonts: SheetFonts): string {
  const face = (family: string, source: string, more: string): string =>
    `@font-face { font-family: ${family}; src: url('${source}') format('woff2'); ${more} }`;
  return [
    face('Accidentals', fonts.accidentals, 'font-weight: 200 599; unicode-range: U+266D-266F;'),
    face('Accidentals', fonts.boldAccidentals, 'font-weight: 600 900; unicode-range: U+266D-266F;'),
    face("'Atkinson Hyperlegible Next'", fonts.regular, 'font-weight: 200 800;'),
    face("'Atkinson Hyperlegible Next'", fonts.italic, 'font-weight: 200 800; font-style: italic;'),
    face('Fraunces', fonts.title, 'font-weight: 100 900;'),
    face('Tinos', fonts.score, 'font-weight: 400;'),
    face('Tinos', fonts.boldScore, 'font-weight: 700;'),
    face('Tinos', fonts.italicScore, 'font-weight: 400; font-style: italic;'),
    face('Tinos', fonts.boldItalicScore, 'font-weight: 700; font-style: italic;'),
    face('Leipzig', fonts.signs, ''),
  ].join('\n');
}

/** A page as a picture of its own: SVG that brings its fonts along. */
export function pagePicture({ svg }: Page, fonts: SheetFonts): string {
  const inside = svg.indexOf('>') + 1;
  return `${svg.slice(0, inside)}<style>${facesOf(fonts)}\n${SHEET_STYLE}</style>${svg.slice(inside)}`;
}

/** Pages as one HTML file of its own, which prints as it is shown. */
export function sheetDocument(
  title: string,
  pages: readonly Page[],
  paper: Paper,
  fonts: SheetFonts,
): string {
  const name = title.replace(/&/g, '&amp;').replace(/</g, '&lt;');
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>${name}</title>
<style>
${facesOf(fonts)}
${SHEET_STYLE}
${paperStyle(paper)}
body { margin: 0; background: #ddd; }
.page { width: max-content; margin: 8mm auto; break-after: page; break-inside: avoid; }
.page:last-child { break-after: auto; }
@media print { body { background: none; } .page { margin: 0; } }
</style>
</head>
<body>
${pages.map(({ svg }) => `<div class="page">${svg}</div>`).join('\n')}
</body>
</html>
`;
}
