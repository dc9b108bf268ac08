import type { Arrangement } from '../arrangement';
import { archiveOf } from './archive';
import { writeMusicXml } from './musicxmlWrite';

const CONTAINER =
  '<?xml version="1.0" encoding="UTF-8"?>\n<container><rootfiles><rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/></rootfiles></container>\n';
/** The arrangement as a compressed MusicXML score (.mxl). */
export function writeMxl(arrangement: Arrangement): Uint8Array {
  return archiveOf([
    { name: 'META-INF/container.xml', content: CONTAINER },
    { name: 'score.musicxml', content: writeMusicXml(arrangement) },
  ]);
}
