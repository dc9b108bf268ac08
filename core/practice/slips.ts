import type { Hand } from '../hands';
import type { Judgement } from './judge';
import type { TroubleKind } from './troubles';
import type { WantedKey } from './wanted';

/**
 * A key that went wrong in a turn, told from what of the song it belongs to, as a pinned finger is: it is found again when
 * the song is edited elsewhere, and in its own bar where one chord is struck in several.
 */
export interface Slip {
  /** Played id of the note of the tune, or of the chord, it comes from, and ticks after its onset. */
  readonly from: string;
  readonly after: number;
  readonly midi: number;
  readonly hand: Hand;
  readonly kind: TroubleKind;
}

/** Most slips that are kept of one turn. */
const MOST_KEPT = 80;

/**
 * What of a take is kept to be found again later; a key too many, and a new beginning, at the key that was wanted there.
 * `onsets`: those of the notes and changes of the song.
 */
export function slipsOf({ keys, extra, restarts }: Judgement, onsets: ReadonlyMap<string, number>): Slip[] {
  const slip = ({ from, tick, midi, hand }: WantedKey, kind: TroubleKind): Slip => ({
    from,
    after: tick - (onsets.get(from) ?? tick),
    midi,
    hand,
    kind,
  });
  const at = (tick: number, kind: TroubleKind): Slip[] => {
    const there = keys.findLast(({ wanted }) => wanted.tick <= tick);
    return there ? [slip(there.wanted, kind)] : [];
  };
  return [
    ...keys.flatMap(({ wanted, how }) =>
      how === 'right' || how === 'not-reached' || how === 'not-heard' ? [] : [slip(wanted, how)],
    ),
    ...extra.flatMap(({ tick }) => at(tick, 'extra')),
    ...restarts.flatMap((tick) => at(tick, 'restart')),
  ].slice(0, MOST_KEPT);
}
