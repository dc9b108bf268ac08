import { strToU8, zipSync } from 'fflate';
import type { Arrangement } from '../arrangement';
import { writeMusicXml } from './musicxmlWrite';

const CONTAINER =
  '<?xml version="1.0" encoding="UTF-8"?>\n<container><rootfiles><rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/></rootfiles></container>\n';
/** Zip archives carry a date; a fixed one makes the same song the same file. */
const FIXED_DATE = new Date(1980, 0, 1);

/** The arrangement as a compressed MusicXML score (.mxl). */
export function writeMxl(arrangement: Arrangement): Uint8Array {
  return zipSync(
    { 'META-INF/container.xml': strToU8(CONTAINER), 'score.musicxml': strToU8(writeMusicXml(arrangement)) },
    { mtime: FIXED_DATE },
  );
}
