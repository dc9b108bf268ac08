import { barsInWords, comesBackWhole, FIRST_HAND, partCard, plays, sayIt } from '../words';
import { columnsOf, rowsOf } from './columns';
import { type Block, heading, paragraph } from './flow';
import { systemsOf } from './scoreSheets';
import { seamRow } from './seamRow';
import type { MakeSheet, SheetTask } from './sheet';

/** Every part: what it is, where it begins, the seam row by row, the meetings to be said aloud. */
export const partSheets: MakeSheet = (task) => {
  const { arrangement, room } = task;
  return arrangement.parts.flatMap((part, index) =>
    partBlocks(task, index, () =>
      rowsOf(columnsOf(arrangement, index), room.width).map((row) => seamRow(row, room, part.number)),
    ),
  );
};

/** The same for those who read: each part on a grand staff. */
export const partStaves: MakeSheet = (task) => {
  const { arrangement } = task;
  const systems = systemsOf(task, 'parts');
  return arrangement.parts.flatMap((part, index) =>
    partBlocks(task, index, () => systems.filter((system) => system.part === part.number)),
  );
};

/** `rows`: the music of a part, asked for where it is not told elsewhere. */
function partBlocks({ arrangement, room }: SheetTask, index: number, rows: () => Block[]): Block[] {
  const part = arrangement.parts[index];
  const card = partCard(arrangement, index);
  const of = part.number;
  const line = arrangement.song.handout.lines[part.cutId] ?? '';
  const head = [
    heading(`${card.title} · ${barsInWords(part)}`, room, of),
    ...paragraph(line, room.width, { face: 'italic', part: of, above: 1, staysWithNext: true }),
  ];
  // It has been told with that part.
  if (comesBackWhole(arrangement, index))
    return [...head, ...paragraph(card.relation, room.width, { part: of, above: 1 })];
  const firstHand = card.order === null ? '' : `; ${FIRST_HAND[card.order]}`;
  const before = [
    card.relation,
    card.firstKey ? `The right hand starts on ${card.firstKey}${firstHand}.` : '',
    card.hands,
  ].filter(Boolean);
  // With the melody alone nothing is met.
  const said = plays(arrangement, index, 'left') ? sayIt(arrangement, part) : '';
  return [
    ...head,
    ...before.flatMap((what) => paragraph(what, room.width, { part: of, above: 1, staysWithNext: true })),
    ...(said ? leadingTo(rows()) : rows()),
    ...(said ? paragraph(said, room.width, { part: of, above: 2.5, lead: 'Say: ' }) : []),
  ];
}

/** Rows of which the last stays with what is said of them. */
function leadingTo(rows: readonly Block[]): Block[] {
  return rows.map((row, i) => (i === rows.length - 1 ? { ...row, staysWithNext: true } : row));
}
