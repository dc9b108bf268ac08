export {
  pagePicture,
  paperStyle,
  PDF_FONTS,
  SHEET_FONTS,
  SHEET_STYLE,
  sheetDocument,
  type SheetFonts,
} from './document';
export { type Handout, DEFAULT_HANDOUT, readHandout, sheetMoved, withSheet } from './handout';
export { layOut, type Page, partPage, type SheetId, SHEETS } from './layOut';
export { DEFAULT_PAPER, type Paper, paperMm, PAPERS, roomOn } from './paper';
export type { Staves, System } from './sheet';
export { type Drawn, scoresOf, type SheetScore, shownElsewhere, systemsFrom } from './staves';
