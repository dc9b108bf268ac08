import type { Key } from '../music';
import type { FillTask } from './task';

/** The key in force where a chord sounds at or before a tick; null in a part without chords. */
export function keyAtTick({ voiced }: FillTask, tick: number): Key | null {
  return (voiced.findLast(({ change }) => change.tick <= tick) ?? voiced[0])?.key ?? null;
}
