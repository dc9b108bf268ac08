import { type Page, type Paper, paperMm, PDF_FONTS } from '@joined-hands/core/sheets';
import PDFDocument from 'pdfkit';
import { toBytes } from 'pdfkit/output';
import svgToPdf from 'svg-to-pdfkit';

/** The fonts of a PDF, as bytes of WOFF files: the packages that write it read no others. */
export type PdfFonts = Readonly<Record<keyof typeof PDF_FONTS, Uint8Array>>;

const POINTS_IN_MM = 72 / 25.4;
/** Texts of our own sheets: what their classes say is said by their font. */
const TEXT = /<text class="(regular|bold|italic|title)"([^>]*)>([^<]*)<\/text>/g;
/** Signs for which the face of a text has no letter. */
const ACCIDENTALS = /[♭♮♯]+/g;

/**
 * Pages as one PDF, drawn from the same SVG as they are shown, letters as letters. `drawn` is told how many pages there
 * are so far.
 *
 * @throws Error where a page has something that cannot be drawn in it.
 */
export async function pdfOf(
  title: string,
  pages: readonly Pick<Page, 'svg' | 'aspect'>[],
  paper: Paper,
  fonts: PdfFonts,
  drawn: (count: number) => void,
): Promise<Uint8Array<ArrayBuffer>> {
  const document = new PDFDocument({
    autoFirstPage: false,
    font: null,
    info: { Title: title, Creator: 'Joined Hands' },
  });
  const bytes = toBytes(document);
  for (const [name, file] of Object.entries(fonts)) document.registerFont(name, file);
  const width = paperMm(paper)[0] * POINTS_IN_MM;
  pages.forEach(({ svg, aspect }, i) => {
    // A part alone is no higher than it needs.
    const height = width / aspect;
    document.addPage({ size: [width, height], margin: 0 });
    svgToPdf(document, withFonts(svg), 0, 0, {
      width,
      height,
      fontCallback: fontOf,
      warningCallback: refuse,
    });
    drawn(i + 1);
  });
  document.end();
  return bytes;
}

function withFonts(svg: string): string {
  return svg.replace(TEXT, (_, face: string, rest: string, words: string) => {
    const signs = face === 'bold' || face === 'title' ? 'boldAccidentals' : 'accidentals';
    const spelled = words.replace(ACCIDENTALS, (run) => `<tspan font-family="${signs}">${run}</tspan>`);
    return `<text font-family="${face}"${rest}>${spelled}</text>`;
  });
}

/** The font a text asks for: one of ours by its name, else one of those the engraver sets words in. */
function fontOf(family: string, isBold: boolean, isItalic: boolean): keyof PdfFonts {
  const [name] = family.split(',');
  if (Object.hasOwn(PDF_FONTS, name)) return name as keyof PdfFonts;
  if (name.includes('Leipzig')) return 'signs';
  if (isBold) return isItalic ? 'boldItalicScore' : 'boldScore';
  return isItalic ? 'italicScore' : 'score';
}

function refuse(warning: string): never {
  throw new Error(warning);
}
