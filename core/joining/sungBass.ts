import { type Chord, chroma, type Key, classAbove, membersOf } from '../music';
import { aboveRoot } from '../patterns';

/** Root, fifth and tenth, open: rolled where the hand does not span them. */
export function openTenth(chord: Chord, low: number): number[] {
  const third = aboveRoot(chord, 3);
  const tenth = third < 12 ? third + 12 : third;
  return [...new Set([low, low + aboveRoot(chord, 5), low + tenth])].sort((a, b) => a - b);
}

/** Single notes of the right hand lie from here on: above an open tenth, below the voice. */
const COMPANION_FROM = 62;

/**
 * The single note that goes with a chord: the key-note where it does not rub against a chord member, else the fifth of
 * the key, else the chord's own root; from D4 to C♯5. In C: `C → C, G7 → G, B♭ → C`.
 */
export function companionOf(chord: Chord, key: Key): number {
  const members = membersOf(chord).map((member) => member.chroma);
  const rubs = (note: number): boolean =>
    members.some((member) => [1, 11].includes((note - member + 12) % 12) && !members.includes(note));
  const isLeadingNoteIn = (note: number): boolean => members.includes((note + 11) % 12);
  const tonic = chroma(key.tonic);
  const fifth = chroma(classAbove(key.tonic, '5P'));
  const found = [tonic, fifth].find((note) => !rubs(note) && !isLeadingNoteIn(note)) ?? members[0];
  return COMPANION_FROM + ((found - COMPANION_FROM + 72) % 12);
}
