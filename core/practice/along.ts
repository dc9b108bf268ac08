import type { Arrangement } from '../arrangement';
import { type Click, clicksAlong, type Clock } from '../performance';
import { barAt, placeIn, type PlayedSong } from '../song';
import { Companion, type Pushing } from './companion';
import type { Task } from './task';
import { type WantedKey, wantedKeys } from './wanted';

/** What the program plays with the player: the click, the other hand, or only the bass of the left hand. */
export type Along = 'click' | 'hand' | 'bass';

/** What it strikes: keys, or clicks. */
export type AlongStrike = WantedKey | Click;

/** What can be played along with a task: of both hands the click alone, and the right hand has no bass. */
export function alongs({ hands }: Pick<Task, 'hands'>): readonly Along[] {
  if (hands === 'both') return ['click'];
  return hands === 'left' ? ['click', 'hand'] : ['click', 'hand', 'bass'];
}

/** What is played with a task where one asks for something: the nearest that there is. */
export function alongWith(task: Pick<Task, 'hands'>, asked: Along): Along {
  const all = alongs(task);
  return all.includes(asked) ? asked : all[all.length - 1];
}

/**
 * What plays along with a task, `pace` seconds a second of the music at first; its clock begins where the task does. Null
 * where it is only clicked to, at the tempo that was agreed.
 */
export function companionFor(
  { right, left, played }: Pick<Arrangement, 'right' | 'left' | 'played'>,
  task: Pick<Task, 'fromTick' | 'toTick' | 'hands'>,
  clock: Clock,
  pace: number,
  { along, pushing }: { readonly along: Along; readonly pushing: Pushing },
): Companion<AlongStrike> | null {
  const what = alongWith(task, along);
  const all = wantedKeys([...right, ...left], clock, task);
  if (all.length === 0 || (what === 'click' && pushing === 'strict')) return null;
  const before = clock.secondsAt(all[0].tick) - clock.secondsAt(task.fromTick);
  const keys = all.map((key) => ({ ...key, seconds: key.seconds + before }));
  const own = keys.filter(({ hand }) => task.hands === 'both' || hand === task.hands);
  const others = keys.filter(({ hand }) => hand !== task.hands);
  const strikes = {
    click: () => clicksAlong({ ...task, bars: played.bars }, (tick) => clock.secondsAt(tick)),
    hand: () => others,
    bass: () => bassOf(others, played.bars),
  };
  const { beatTicks } = placeIn(played.bars, task.fromTick);
  const beat = clock.secondsAt(task.fromTick + beatTicks) - clock.secondsAt(task.fromTick);
  return new Companion<AlongStrike>(own, strikes[what](), pace, pushing, beat);
}

/** The lowest key of each chord where it begins, and of each bar it goes on in. */
function bassOf(left: readonly WantedKey[], bars: PlayedSong['bars']): WantedKey[] {
  const nameOf = ({ tick, from }: WantedKey): string => `${barAt(bars, tick).tick} ${from}`;
  const firsts = left.filter((key, i) => i === 0 || nameOf(left[i - 1]) !== nameOf(key));
  return firsts.map(({ tick }) =>
    left.filter((key) => key.tick === tick).reduce((low, key) => (key.midi < low.midi ? key : low)),
  );
}
