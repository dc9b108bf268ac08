import type { Arrangement } from '../arrangement';
import { barsInWords, leftThen, partCard, relationInWords, sayIt } from '../words';
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
  const systems = systemsOf(task, 'grand');
  return arrangement.parts.flatMap((part, index) =>
    partBlocks(task, index, () => systems.filter((system) => system.part === part.number)),
  );
};

/** `rows`: the music of a part, asked for where it is not told elsewhere. */
function partBlocks({ arrangement, room }: SheetTask, index: number, rows: () => Block[]): Block[] {
  const part = arrangement.parts[index];
  const card = partCard(arrangement, index);
  const of = part.number;
  const head = heading(`${card.title} · ${barsInWords(part)}`, room, of);
  if (isTold(arrangement, index))
    return [head, ...paragraph(card.relation, room.width, { part: of, above: 1 })];
  const order = { right: 'right hand first', left: 'left hand first', chords: 'chords first' };
  const firstHand = card.order === null ? '' : `; ${order[card.order]}`;
  const before = [
    relationInWords(part, leftThen(arrangement, index)),
    card.firstKey ? `The right hand starts on ${card.firstKey}${firstHand}.` : '',
    card.hands,
  ].filter(Boolean);
  // With the melody alone nothing is met.
  const said = arrangement.relations.left[index]?.relation === 'silent' ? '' : sayIt(arrangement, part);
  return [
    head,
    ...before.flatMap((what) => paragraph(what, room.width, { part: of, above: 1, staysWithNext: true })),
    ...rows(),
    ...(said ? paragraph(said, room.width, { part: of, above: 2.5, lead: 'Say: ' }) : []),
  ];
}

/** It is the same as an earlier part, both hands: that one has told it. */
function isTold(arrangement: Arrangement, index: number): boolean {
  const part = arrangement.parts[index];
  return part.relation === 'same' && part.sameChords && leftThen(arrangement, index) === 'same';
}
