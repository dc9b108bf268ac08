import type { Arrangement } from '../arrangement';
import { effortOf } from '../effort';
import type { Hand } from '../hands';
import { LEVELS } from '../levels';
import { partToPlay } from '../parts';
import { Clock } from '../performance';
import type { Profile, Song } from '../song';
import { barsLasting } from './stages/effort';
import { arrange } from './song';

/** How hard a song is, part by part, for each hand alone, and at every level. */
export interface EffortOver {
  /** Totals of both hands, 0–100, by level (the first at 0) and part. */
  readonly levels: readonly (readonly number[])[];
  /** Totals of each hand by itself at the level chosen, by part. */
  readonly right: readonly number[];
  readonly left: readonly number[];
}

/** Measures every part for each hand alone and at each level, its other choices left as they are. */
export function effortOver(song: Song, profile: Profile): EffortOver {
  const chosen = arrange(song, profile);
  const alone = (hand: Hand): number[] => handAlone(chosen, hand);
  return {
    levels: LEVELS.map(({ number }) => onLevel(song, profile, number)),
    right: alone('right'),
    left: alone('left'),
  };
}

function handAlone({ song, played, parts, arranged, profile }: Arrangement, hand: Hand): number[] {
  const clock = new Clock(played.tempoMap, song.feel);
  return parts.map((part, i) => {
    const notes = arranged[i]?.[hand] ?? [];
    const bars = barsLasting(played, partToPlay(part), clock);
    const [right, left] = hand === 'right' ? [notes, []] : [[], notes];
    return effortOf({ right, left, bars, profile }).total;
  });
}

/** What each part would come to were the song at one level; what a settled part keeps it keeps. */
function onLevel(song: Song, profile: Profile, level: number): number[] {
  const partSettings = Object.fromEntries(
    Object.entries(song.partSettings).map(([id, { choices, ...rest }]) => {
      const { level: _own, ...others } = choices;
      return [id, { ...rest, choices: others }] as const;
    }),
  );
  const there = { ...song, choices: { ...song.choices, level }, partSettings };
  return arrange(there, profile).efforts.map((effort) => effort?.total ?? 0);
}
