import type { Arrangement } from '@joined-hands/core/arrangement';
import type { Clock } from '@joined-hands/core/performance';
import { Companion, type Pushing, type Task, wantedKeys } from '@joined-hands/core/practice';

/**
 * Plays the hand that a task of one hand leaves out, `pace` seconds a second of the music at first; null for a task of both
 * hands. Its clock begins where the task does.
 */
export function companionOf(
  { right, left }: Pick<Arrangement, 'right' | 'left'>,
  task: Pick<Task, 'fromTick' | 'toTick' | 'hands'>,
  clock: Clock,
  pace: number,
  pushing: Pushing,
): Companion | null {
  const all = wantedKeys([...right, ...left], clock, task);
  if (task.hands === 'both' || all.length === 0) return null;
  const before = clock.secondsAt(all[0].tick) - clock.secondsAt(task.fromTick);
  const keys = all.map((key) => ({ ...key, seconds: key.seconds + before }));
  const own = keys.filter(({ hand }) => hand === task.hands);
  const other = keys.filter(({ hand }) => hand !== task.hands);
  return new Companion(own, other, pace, pushing);
}
