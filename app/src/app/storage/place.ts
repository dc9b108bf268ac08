/** Where the pianist is in the song; stored with it, so that a reload comes back to the same place. */
export interface Place {
  /** Index of the part on screen. */
  readonly part: number;
  /** Played id of the change or melody note selected. */
  readonly selected: string | null;
  readonly showsStaff: boolean;
  /** 40–160 % of the song's own tempo. */
  readonly tempoPercent: number;
  readonly hands: 'right' | 'left' | 'both';
  readonly loops: boolean;
  readonly countsIn: boolean;
}

export const FIRST_PLACE: Place = {
  part: 0,
  selected: null,
  showsStaff: false,
  tempoPercent: 100,
  hands: 'both',
  loops: false,
  countsIn: true,
};
