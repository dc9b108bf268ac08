import { barsOfEffort, type Effort, type EffortBar, effortOf } from '../../effort';
import type { HandNote } from '../../hands';
import { beatTicks, groupsOf } from '../../music';
import type { PartToPlay } from '../../parts';
import { Clock } from '../../performance';
import { barsIn, type PlayedSong } from '../../song';
import type { SongContext } from '../context';
import type { ByPart } from './byPart';

/** What each part asks of the hands. */
export function effortStage(
  { song, profile, played, parts, memory }: SongContext,
  rightOf: ByPart<readonly HandNote[]>,
  leftOf: ByPart<readonly HandNote[]>,
): ByPart<Effort> {
  const made = memory.of<Effort>('effort');
  const clock = new Clock(played.tempoMap, song.feel);
  return (index) => {
    const [right, left] = [rightOf(index), leftOf(index)];
    const bars = barsLasting(played, parts[index], clock);
    return made(parts[index].cutId, [right, left, JSON.stringify(bars), profile], () =>
      effortOf({ right, left, bars, profile }),
    );
  };
}

/** The bars of a part, or of any stretch, and how long each lasts, as effort is measured by them. */
export function barsLasting(
  played: PlayedSong,
  part: Pick<PartToPlay, 'fromTick' | 'toTick'>,
  clock: Clock,
): EffortBar[] {
  const bars = barsIn(played.bars, part.fromTick, part.toTick);
  const timed = bars.map((bar) => ({
    ...bar,
    beat: beatTicks(bar.metre),
    turns: turnsIn(groupsOf(bar.metre)),
  }));
  return barsOfEffort(timed, part.fromTick, part.toTick, (tick) => clock.secondsAt(tick));
}

/** How often a group is longer or shorter than the one before, counted round. */
function turnsIn(groups: readonly number[]): number {
  return groups.filter((size, i) => size !== groups[(i + groups.length - 1) % groups.length]).length;
}
