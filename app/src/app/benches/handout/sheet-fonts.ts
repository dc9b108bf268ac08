import { SHEET_FONTS, type SheetFonts } from '@joined-hands/core/sheets';

/** The fonts of the application, to go along with a page of its own. */
export async function sheetFonts(): Promise<SheetFonts> {
  const loaded = Object.entries(SHEET_FONTS).map(
    async ([face, file]) => [face, await fontData(file)] as const,
  );
  return Object.fromEntries(await Promise.all(loaded)) as unknown as SheetFonts;
}

/** A font of the application by the name of its file. */
export async function fontBytes(name: string): Promise<Uint8Array> {
  const answer = await fetch(`/fonts/${name}`);
  if (!answer.ok) throw new Error(`the font ${name} could not be loaded`);
  return new Uint8Array(await answer.arrayBuffer());
}

async function fontData(name: string): Promise<string> {
  const bytes = await fontBytes(name);
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return `data:font/woff2;base64,${btoa(text)}`;
}
