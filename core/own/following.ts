import {
  type Chord,
  chroma,
  type Key,
  LETTERS,
  membersOf,
  midiOf,
  type Pitch,
  pitchAt,
  type PitchClass,
  scaleOf,
} from '../music';

/**
 * A note written over one chord, where another stands now: the same member of it (its third, its seventh; a slash bass
 * stays the bass), a note between them by as many letters above the root, as the key has it. It goes the shorter way
 * with the root. `followed(E3 over C, now Fm in A♭ major) // => A♭3`
 */
export function followed(pitch: Pitch, over: Chord, now: Chord, key: Key): Pitch {
  const up = (chroma(now.root) - chroma(over.root) + 12) % 12;
  const near = midiOf(pitch) + (up > 6 ? up - 12 : up);
  const pitchClass = classFor(pitch, over, now, key, near);
  const by = ((chroma(pitchClass) - near + 6 + 1200) % 12) - 6;
  return pitchAt(near + by, pitchClass);
}

function classFor(pitch: Pitch, over: Chord, now: Chord, key: Key, near: number): PitchClass {
  if (over.bass && chroma(over.bass) === chroma(pitch)) return now.bass ?? now.root;
  const member = membersOf(over).find((own) => own.chroma === chroma(pitch));
  const members = membersOf(now);
  if (!member) return between(pitch, over, now, key);
  const same = members.find(({ number }) => number === member.number);
  if (same) return same.pitchClass;
  const away = (to: number): number => Math.min((to - near + 1200) % 12, (near - to + 1200) % 12);
  return members.reduce((best, other) => (away(other.chroma) < away(best.chroma) ? other : best)).pitchClass;
}

/** So many letters above the root as before: a member of the chord where it has that letter, else as the key has it. */
function between(pitch: Pitch, over: Chord, now: Chord, key: Key): PitchClass {
  const letters = LETTERS.indexOf(pitch.letter) - LETTERS.indexOf(over.root.letter);
  const letter = LETTERS[(LETTERS.indexOf(now.root.letter) + letters + 7) % 7];
  const known = [...membersOf(now).map(({ pitchClass }) => pitchClass), ...scaleOf(key)];
  return known.find((own) => own.letter === letter) ?? { letter, alter: 0 };
}
