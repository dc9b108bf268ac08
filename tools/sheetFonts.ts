import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { SHEET_FONTS, type SheetFonts } from '../core/sheets';

/** The packages the fonts come from. */
const PACKAGES = {
  regular: '@fontsource-variable/atkinson-hyperlegible-next',
  italic: '@fontsource-variable/atkinson-hyperlegible-next',
  title: '@fontsource-variable/fraunces',
  accidentals: '@fontsource/dejavu-sans',
  boldAccidentals: '@fontsource/dejavu-sans',
  score: '@fontsource/tinos',
  boldScore: '@fontsource/tinos',
  italicScore: '@fontsource/tinos',
  boldItalicScore: '@fontsource/tinos',
} as const satisfies Record<Exclude<keyof SheetFonts, 'signs'>, string>;
/** The engraver's own signs, taken out of what it draws. */
const SIGNS = '../app/public/fonts/leipzig.woff2';

/** The fonts of the sheets, as they are installed, to go along with a page of its own. */
export function sheetFonts(): SheetFonts {
  const faces = Object.keys(SHEET_FONTS) as (keyof SheetFonts)[];
  const data = (face: keyof SheetFonts): string => {
    const file = face === 'signs' ? SIGNS : `../node_modules/${PACKAGES[face]}/files/${SHEET_FONTS[face]}`;
    const bytes = readFileSync(fileURLToPath(new URL(file, import.meta.url)));
    return `data:font/woff2;base64,${bytes.toString('base64')}`;
  };
  return Object.fromEntries(faces.map((face) => [face, data(face)])) as unknown as SheetFonts;
}
