import { partIndexAt } from '../parts';
import { inner } from './draw';
import { type Block, paragraph } from './flow';
import type { MakeSheet, SheetTask, Staves } from './sheet';

/** The tune on a staff with chord symbols and words. */
export const leadSheet: MakeSheet = (task) => systemsOf(task, 'lead');
/** Both hands as they are arranged, on a grand staff. */
export const fullScore: MakeSheet = (task) => systemsOf(task, 'grand');

/** The song in systems of staves, each with the part it begins in. */
export function systemsOf({ arrangement, room, staves }: SheetTask, which: keyof Staves): Block[] {
  const systems = staves[which];
  if (!systems) return paragraph('The staves of this sheet were not drawn.', room.width);
  const { parts } = arrangement;
  return systems.map(({ bars, part, height, svg, viewBox }): Block => ({
    height,
    above: 1.5,
    staysWithNext: false,
    part: part ?? parts[partIndexAt(parts, bars[0].tick)]?.number ?? null,
    draw: (x, y) => inner({ x, y, width: room.width, height }, viewBox, svg),
  }));
}
