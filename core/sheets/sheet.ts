import type { Arrangement } from '../arrangement';
import type { PractiseSettings } from '../practice';
import type { PlayedBar } from '../song';
import type { Block } from './flow';
import type { Room } from './paper';

/** A system of staves, drawn for a sheet by whoever can: the core draws none itself. */
export interface System {
  readonly bars: readonly PlayedBar[];
  /** Number of the part it was drawn for; absent: it is of the whole song. */
  readonly part?: number;
  /** In units, where it is as wide as the room of the page. */
  readonly height: number;
  readonly svg: string;
  readonly viewBox: string;
}

/** The song in systems: the tune alone with its chords and words, and both hands; absent where it was not drawn. */
export interface Staves {
  readonly lead?: readonly System[];
  readonly grand?: readonly System[];
  /** Both hands part by part, each from a new line. */
  readonly parts?: readonly System[];
}

/** What a sheet is made from. */
export interface SheetTask {
  readonly arrangement: Arrangement;
  readonly room: Room;
  readonly staves: Staves;
  /** How the pianist practises. */
  readonly practises: Pick<PractiseSettings, 'chain' | 'goal'>;
}

export type MakeSheet = (task: SheetTask) => Block[];
