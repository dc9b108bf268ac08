import type { PlayedBar, Profile } from '../song';
import type { Sounding } from '../voicing';

/** What every kind of fill looks at. */
export interface FillTask {
  readonly bars: readonly PlayedBar[];
  readonly profile: Profile;
  /** Melody as struck (raised or shifted), sorted by onset. */
  readonly melody: readonly Sounding[];
  readonly longestNote: number;
  /** Ticks at which parts begin. */
  readonly partStarts: readonly number[];
}
