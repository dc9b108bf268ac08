import { partIndexAt } from '../parts';
import { creditsInWords } from '../words';
import { inner, text } from './draw';
import { type Block, paragraph } from './flow';
import type { MakeSheet, SheetTask, Staves } from './sheet';
import { cutTo, LEADING, SIZE } from './text';

/** The tune on a staff with chord symbols and words. */
export const leadSheet: MakeSheet = (task) => [...titleOf(task), ...systemsOf(task, 'lead')];
/** Both hands as they are arranged, on a grand staff. */
export const fullScore: MakeSheet = (task) => [...titleOf(task), ...systemsOf(task, 'grand')];

/** The title over the music, and under it what the song says of itself. */
function titleOf({ arrangement: { song }, room: { width } }: SheetTask): Block[] {
  const lines = [
    { words: cutTo(song.title, 'title', SIZE.title, width), face: 'title', size: SIZE.title },
    { words: cutTo(song.subtitle, 'italic', SIZE.body, width), face: 'italic', size: SIZE.body },
    {
      words: cutTo(creditsInWords(song.credits), 'regular', SIZE.body, width),
      face: 'regular',
      size: SIZE.body,
    },
  ] as const;
  return lines
    .filter(({ words }) => words !== '')
    .map(({ words, face, size }): Block => ({
      height: size * LEADING,
      above: 0,
      staysWithNext: true,
      part: null,
      draw: (x, y) => text(x + width / 2, y + size, words, { face, size, anchor: 'middle' }),
    }));
}

/** The song in systems of staves, each with the part it begins in. */
export function systemsOf({ arrangement, room, staves }: SheetTask, which: keyof Staves): Block[] {
  const systems = staves[which];
  if (!systems) return paragraph('The staves of this sheet were not drawn.', room.width);
  const { parts } = arrangement;
  return systems.map(({ bars, part, height, svg, viewBox }): Block => ({
    height,
    above: 1.5,
    stretch: 9,
    staysWithNext: false,
    part: part ?? parts[partIndexAt(parts, bars[0].tick)]?.number ?? null,
    lastPart: part ?? parts[partIndexAt(parts, bars[bars.length - 1].tick)]?.number,
    draw: (x, y) => inner({ x, y, width: room.width, height }, viewBox, svg),
  }));
}
