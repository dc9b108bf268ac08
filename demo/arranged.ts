import { arrange } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { DEFAULT_PROFILE, type Song } from '../core/song';

/** Where it is asked which test notices a change, each test must do all of its work itself. */
const IS_SHARED = (globalThis as { isMutating?: boolean }).isMutating !== true;
const made = new WeakMap<Song, Map<string, Arrangement>>();

/**
 * A song for the usual hands at a level: once for all the tests that look at every demo song at every level, since an
 * arrangement never changes.
 */
export function onLevel(song: Song, level: number, withoutFingers = false): Arrangement {
  const anew = (): Arrangement =>
    arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE, { withoutFingers });
  if (!IS_SHARED) return anew();
  const own = made.get(song) ?? new Map<string, Arrangement>();
  made.set(song, own);
  const name = `${level} ${withoutFingers}`;
  const arrangement = own.get(name) ?? anew();
  own.set(name, arrangement);
  return arrangement;
}
