import { type Page, pagePicture } from '@joined-hands/core/sheets';
import { sheetFonts } from './sheet-fonts';

/** A page as a picture: drawn by lines, or in points fit for print. */
export type PictureKind = 'svg' | 'png';

/** The longer edge of a picture in points: A4 at 300 to the inch. */
const LONG_EDGE = 3508;

/** A page as a picture of its own, with its fonts. Fails where a font cannot be loaded or the browser cannot draw it. */
export async function pictureOf(page: Page, kind: PictureKind): Promise<Uint8Array | string> {
  const svg = pagePicture(page, await sheetFonts());
  return kind === 'svg' ? svg : pngOf(svg, page.aspect);
}

async function pngOf(svg: string, aspect: number): Promise<Uint8Array> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(aspect > 1 ? LONG_EDGE : LONG_EDGE * aspect);
  canvas.height = Math.round(aspect > 1 ? LONG_EDGE / aspect : LONG_EDGE);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('this browser cannot draw pictures');
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((drawn) => canvas.toBlob(drawn, 'image/png'));
  if (!blob) throw new Error('the picture is too large for this browser');
  return new Uint8Array(await blob.arrayBuffer());
}
