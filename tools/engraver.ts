import { VerovioToolkit } from 'verovio/esm';
import createModule from 'verovio/wasm';
import { engrave, type Toolkit } from '../app/src/app/notation/engraving';
import type { Arrangement } from '../core/arrangement';
import {
  roomOn,
  scoresOf,
  SHEETS,
  type SheetId,
  type Staves,
  systemsFrom,
  type System,
} from '../core/sheets';
import type { Paper } from '../core/sheets';

/** The engraver, loaded in this process. */
export async function loadEngraver(): Promise<Toolkit> {
  return new VerovioToolkit(await createModule());
}

/** What is on the staves of a sheet; none where it has none. */
export function stavesOf(sheet: SheetId): keyof Staves | null {
  const row = SHEETS.find(({ id }) => id === sheet);
  return row && 'staves' in row ? row.staves : null;
}

/** The staves of a sheet, engraved. */
export function engraved(toolkit: Toolkit, arrangement: Arrangement, sheet: SheetId, paper: Paper): Staves {
  const which = stavesOf(sheet);
  if (which === null) return {};
  const room = roomOn(paper);
  const systems = scoresOf(arrangement, which, room, paper).flatMap((score): System[] =>
    systemsFrom(score, [...engrave(toolkit, score.score, score)], room),
  );
  return { [which]: systems };
}
