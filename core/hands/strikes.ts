import { gotOrMade } from '../memory';
import type { Hand, HandNote } from './handNote';

/** Keys one hand strikes together, lowest first; never empty. */
export type Strike = readonly HandNote[];

/** Strikes of one hand in time; grace notes are over before they count. */
export function strikesOf(notes: readonly HandNote[]): Strike[] {
  const byTick = new Map<number, HandNote[]>();
  for (const note of notes) if (!note.grace) gotOrMade(byTick, note.tick, (): HandNote[] => []).push(note);
  return [...byTick.entries()]
    .sort(([a], [b]) => a - b)
    .map(([, struck]) => [...struck].sort((a, b) => a.midi - b.midi));
}

/**
 * The line of the right hand: its tune, and where something is written by hand in the place of the tune, the top of that;
 * without the keys beside it and grace notes.
 */
export function lineOfRight(notes: readonly HandNote[]): HandNote[] {
  return strikesOf(notes.filter(({ source }) => source === 'melody' || source === 'own')).flatMap((keys) => {
    const tune = keys.filter(({ source }) => source === 'melody');
    return tune.length > 0 ? tune : keys.slice(-1);
  });
}

/** A pass reaches no further, in half steps: beyond it the hand moves. */
const WIDEST_PASS = 6;

/**
 * Whether the thumb passes under, or a finger over it, from one single note to the next. False where a finger is not known,
 * where both notes have the same finger or key, and beyond a tritone.
 */
export function isPass(from: HandNote, to: HandNote, hand: Hand): boolean {
  const away = (to.midi - from.midi) * (hand === 'right' ? 1 : -1);
  if (from.finger === null || to.finger === null || from.finger === to.finger) return false;
  if (away === 0 || Math.abs(away) > WIDEST_PASS) return false;
  return away > 0 ? to.finger === 1 : from.finger === 1;
}
