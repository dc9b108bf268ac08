import { flagOf, numberOf, recordOf, textOf } from './believed';

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
  /** The metronome is on. */
  readonly clicks: boolean;
}

export const FIRST_PLACE: Place = {
  part: 0,
  selected: null,
  showsStaff: false,
  tempoPercent: 100,
  hands: 'both',
  loops: false,
  countsIn: true,
  clicks: false,
};

/** A place as it is stored: what of it makes no sense is as at first. */
export function placeOf(stored: unknown): Place {
  const { part, selected, showsStaff, tempoPercent, hands, loops, countsIn, clicks } = recordOf(stored);
  return {
    part: Math.trunc(numberOf(part, 0, 20_000) ?? FIRST_PLACE.part),
    selected: textOf(selected, 200),
    showsStaff: flagOf(showsStaff) ?? FIRST_PLACE.showsStaff,
    tempoPercent: numberOf(tempoPercent, 40, 160) ?? FIRST_PLACE.tempoPercent,
    hands: hands === 'right' || hands === 'left' ? hands : FIRST_PLACE.hands,
    loops: flagOf(loops) ?? FIRST_PLACE.loops,
    countsIn: flagOf(countsIn) ?? FIRST_PLACE.countsIn,
    clicks: flagOf(clicks) ?? FIRST_PLACE.clicks,
  };
}
