import { arrange } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { DEFAULT_PROFILE, type Song } from '../core/song';

/** Where it is asked which test notices a change, each test must do all of its work itself. */
const IS_SHARED = (globalThis as { isMutating?: boolean }).isMutating !== true;
const made = new WeakMap<Song, Map<string, Arrangement>>();

/**
 * A song for the usual hands on a rung: once for all the tests that look at every demo song on every rung, since an
 * arrangement never changes.
 */
export function onRung(song: Song, rung: number, withoutFingers = false): Arrangement {
  const anew = (): Arrangement =>
    arrange({ ...song, choices: { ...song.choices, rung } }, DEFAULT_PROFILE, { withoutFingers });
  if (!IS_SHARED) return anew();
  const own = made.get(song) ?? new Map<string, Arrangement>();
  made.set(song, own);
  const name = `${rung} ${withoutFingers}`;
  const arrangement = own.get(name) ?? anew();
  own.set(name, arrangement);
  return arrangement;
}
