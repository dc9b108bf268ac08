import { type Chord, KEYBOARDS, membersOf, reachMm, spanMm } from '../music';
import type { Fuller, Profile } from '../song';
import { lowIntervalBreaches } from '../voicing';

/** A note of the tune and what it may sound with. */
export interface Place {
  readonly midi: number;
  /** The chords that sound while it does. */
  readonly chords: readonly Chord[];
  /** The highest key of the left hand while it sounds; 0 for none. */
  readonly leftTop: number;
  readonly profile: Profile;
}

/** Below this from the tune, in half steps, a key blurs it. */
const CLEAR = 3;
/** Half steps above the left hand from which its keys are free. */
const FREE_OF_LEFT = 3;
const OCTAVE = 12;
/** Most keys under the tune where it lies on top of chords. */
const MOST_UNDER = 3;
/** How well an interval in half steps fills out a tune, least first: thirds, sixths, fourth and fifth, the rest. */
const PREFERENCE: Record<number, number> = { 3: 0, 4: 0, 8: 1, 9: 1, 5: 3, 7: 3, 6: 4 };
const OTHERWISE = 6;
/** An octave frame is held by 1-2-5: its inner key lies about a fourth above the thumb. */
const SECOND_FINGER = 5;

/** Orientation octaves go in a part: one way in all of it. */
export type OctaveSide = -12 | 12;

/** The keys a manner puts beside a note of the tune, lowest first; empty where there is no room. */
export function keysBeside(manner: Fuller, place: Place, side: OctaveSide): readonly number[] {
  const { midi } = place;
  const under = members(place, midi - OCTAVE + 1, midi - CLEAR);
  switch (manner) {
    case 'under':
      return best(
        under.filter((key) => isThirdOrSixth(midi - key)).map((key) => [key]),
        place,
      );
    case 'two-under':
      return best(
        under.flatMap((low) => under.filter((key) => key >= low + CLEAR).map((key) => [low, key])),
        place,
      );
    case 'above':
      return best(
        members(place, midi + CLEAR, midi + OCTAVE - 1).map((key) => [key]),
        place,
      );
    case 'octave':
      return best([[midi + side]], place);
    case 'frame':
      return framed(place, side);
    case 'chord': {
      const closest = under.toReversed().filter((key, i, list) => i === 0 || list[i - 1] - key >= 2);
      const keys = closest.slice(0, MOST_UNDER).reverse();
      // As many as the hand holds, from the top.
      const held = keys.map((_, i) => keys.slice(i)).find((some) => isPlayable(some, place));
      return held && held.length > 1 ? held : [];
    }
  }
}

function isThirdOrSixth(interval: number): boolean {
  return [3, 4, 8, 9].includes(interval);
}

/** Members of every chord under the note in a range of keys. */
function members({ chords, profile, leftTop }: Place, from: number, to: number): number[] {
  const { low, high } = KEYBOARDS[profile.keyboard];
  const shared = chords.map((chord) => new Set(membersOf(chord).map(({ chroma }) => chroma)));
  const found: number[] = [];
  for (let key = Math.max(from, low, leftTop + FREE_OF_LEFT); key <= Math.min(to, high); key++)
    if (shared.length > 0 && shared.every((chromas) => chromas.has(key % 12))) found.push(key);
  return found;
}

function isPlayable(keys: readonly number[], { midi, profile, leftTop }: Place): boolean {
  const { low, high } = KEYBOARDS[profile.keyboard];
  const all = [...keys, midi].sort((a, b) => a - b);
  const [first, last] = [all[0], all[all.length - 1]];
  return (
    first >= low &&
    last <= high &&
    first >= leftTop + FREE_OF_LEFT &&
    spanMm(first, last) <= reachMm(profile.rightReach) &&
    lowIntervalBreaches(all).length === 0
  );
}

/** The choice that fills out best; of equals the first. */
function best(choices: readonly (readonly number[])[], place: Place): readonly number[] {
  const cost = (keys: readonly number[]): number =>
    keys.reduce((sum, key) => sum + (PREFERENCE[Math.abs(place.midi - key)] ?? OTHERWISE), 0);
  const playable = choices.filter((keys) => isPlayable(keys, place));
  return playable.reduce((found, keys) => (cost(keys) < cost(found) ? keys : found), playable[0] ?? []);
}

/** The octave with a chord note inside, clear of both ends, where the second finger lies. */
function framed(place: Place, side: OctaveSide): readonly number[] {
  const low = Math.min(place.midi, place.midi + side);
  const off = (key: number): number => Math.abs(key - low - SECOND_FINGER);
  const inside = members(place, low + CLEAR, low + OCTAVE - CLEAR).sort((a, b) => off(a) - off(b));
  const [found] = inside
    .map((key) => [place.midi + side, key].sort((a, b) => a - b))
    .filter((keys) => isPlayable(keys, place));
  return found ?? [];
}
