import type { HandNote } from '../hands';
import { placeIn, type PlayedBar } from '../song';

/** At most this share of a part's notes is dressed. Source: common arranging practice, the tune stays clear. */
const MOST_DRESSED = 0.5;
/** The half bar of an even metre and what is stronger. */
const STRONG = 3;
/** A long note counts as strong wherever it begins, in beats. */
const LONG_BEATS = 2;

/**
 * The notes of a line that carry another: on a strong beat, or long; at most half of them, the strongest and longest
 * first. In time. A note shorter than half a beat passes too quickly.
 */
export function strongNotes(line: readonly HandNote[], bars: readonly PlayedBar[]): HandNote[] {
  const notes = line.filter((note) => !note.grace);
  const weighed = notes.flatMap((note) => {
    const weight = weightOf(note, bars);
    return weight > 0 ? [{ note, weight }] : [];
  });
  return weighed
    .sort((a, b) => b.weight - a.weight || a.note.tick - b.note.tick)
    .slice(0, Math.floor(MOST_DRESSED * notes.length))
    .map(({ note }) => note)
    .sort((a, b) => a.tick - b.tick);
}

/** 0 for a note that stays alone; a strong beat weighs as much as a beat of length. */
function weightOf({ tick, length }: HandNote, bars: readonly PlayedBar[]): number {
  const { beatTicks, strength } = placeIn(bars, tick);
  const beats = length / beatTicks;
  if (beats < 0.5 || (strength < STRONG && beats < (strength === 2 ? 1 : LONG_BEATS))) return 0;
  return (strength >= STRONG ? strength : strength - 1) + Math.min(LONG_BEATS, beats);
}
