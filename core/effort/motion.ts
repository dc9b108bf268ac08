import { type Hand, isPass, type Strike } from '../hands';
import { centreMm, isBlack, reachMm, spanMm } from '../music';
import type { Profile } from '../song';

/** Where each finger rests beside the thumb, in millimetres: one white key each. */
const REST_MM = [0, 0, 24, 47, 70, 94];
/** A hand that moves less than this has only turned or opened. */
const IN_PLACE_MM = 35;
/** A chord from this share of the widest reach on is wide; at the whole of it the hand is fully open. */
const [WIDE, OPEN] = [0.85, 1];

/** Millimetres the hand is carried from one strike to the next, by where its thumb would lie; 0 where it stays in its place. */
export function carriedMm(from: Strike, to: Strike, hand: Hand): number {
  const moved = Math.abs(placeOf(to, hand) - placeOf(from, hand));
  return Math.max(0, moved - IN_PLACE_MM);
}

/** Where the thumb lies, from the fingers; the middle of the keys where there are none. */
function placeOf(notes: Strike, hand: Hand): number {
  const places = notes.map(({ midi, finger }) =>
    finger === null
      ? centreMm(midi)
      : centreMm(midi) + (hand === 'left' ? REST_MM[finger] : -REST_MM[finger]),
  );
  return places.reduce((sum, place) => sum + place, 0) / places.length;
}

/**
 * What a pass of the thumb under or a finger over it counts, more the wider it reaches; 1 for a finger that goes to another
 * key at once; less for thirds and sixths one after the other; 0 for none of these.
 */
export function passOrSlide(from: Strike, to: Strike, hand: Hand): number {
  if (from.length > 1 || to.length > 1)
    return isDoubled(from) && isDoubled(to) && areApart(from, to) ? DOUBLED : 0;
  const [[a], [b]] = [from, to];
  if (a.finger === null || b.finger === null || a.midi === b.midi) return 0;
  if (a.finger === b.finger) return 1;
  if (!isPass(a, b, hand)) return 0;
  return 1 + WIDER_PASS * Math.max(0, Math.abs(b.midi - a.midi) - NEAR_PASS);
}

/** Two keys a third to a sixth apart, both given up for two others: two lines in one hand. */
const DOUBLED = 0.6;
const [THIRD, SIXTH] = [3, 9];

function isDoubled(notes: Strike): boolean {
  const apart = notes[notes.length - 1].midi - notes[0].midi;
  return notes.length === 2 && apart >= THIRD && apart <= SIXTH;
}

function areApart(from: Strike, to: Strike): boolean {
  return !from.some(({ midi }) => to.some((other) => other.midi === midi));
}

/** Half steps of a pass in a scale, and what each beyond them adds. */
const [NEAR_PASS, WIDER_PASS] = [2, 0.9];

/** How far a hand is opened by a strike beyond what is comfortable: 0 … 1. */
export function openedBy(notes: Strike, hand: Hand, profile: Profile): number {
  if (notes.some(({ rolled }) => rolled !== undefined)) return 0;
  const reach = reachMm(hand === 'left' ? profile.leftReach : profile.rightReach);
  const share = spanMm(notes[0].midi, notes[notes.length - 1].midi) / reach;
  return Math.max(0, Math.min(1, (share - WIDE) / (OPEN - WIDE)));
}

/** Keys of a strike that are black. */
export function blacksIn(notes: Strike): number {
  return notes.filter(({ midi }) => isBlack(midi)).length;
}

/** How far three single notes one after the other take the hand beyond its reach: 0 … 1. */
export function openedAlong(strikes: readonly Strike[], hand: Hand, profile: Profile): number {
  if (strikes.length < 3 || strikes.some((notes) => notes.length > 1)) return 0;
  const keys = strikes.map(([note]) => note.midi);
  // Wider than an octave at once is a leap.
  if (keys.some((key, i) => i > 0 && Math.abs(key - keys[i - 1]) > 12)) return 0;
  const reach = reachMm(hand === 'left' ? profile.leftReach : profile.rightReach);
  const share = spanMm(Math.min(...keys), Math.max(...keys)) / reach;
  return Math.max(0, Math.min(1, (share - 1) / ALONG));
}

/** A figure so much wider than the reach carries the hand from note to note. */
const ALONG = 0.2;
