import { bassOf, type Chord, chroma, KEYBOARDS, membersOf, reachMm, spanMm } from '../music';
import type { Profile } from '../song';
import { lowIntervalBreaches, type VoicedChange } from '../voicing';
import type { PatternMember } from './pattern';
import { upperOf } from './roots';
import { SUBSTITUTES } from './rows';

/** How high a broken figure goes: to the octave, the tenth, or the third beside its root. */
export type Peak = 8 | 10 | 3;

/** What the members of a pattern are turned into keys with. */
export interface FigureContext {
  readonly voiced: VoicedChange;
  readonly profile: Profile;
  /** The root (or slash bass) of root-based members. */
  readonly root: number;
  readonly peak: Peak;
}

/** Keys of an event's members, lowest first, each once. */
export function keysOf(context: FigureContext, members: readonly PatternMember[]): number[] {
  const keys = members.flatMap((member) => keysOfMember(context, member));
  return [...new Set(keys)].sort((a, b) => a - b);
}

function keysOfMember(
  { voiced, profile, root, peak }: FigureContext,
  member: PatternMember,
): readonly number[] {
  const { keys } = voiced.voicing;
  switch (member) {
    case 'all':
      return keys;
    case 'lowest':
      return keys.slice(0, 1);
    case 'others':
      return keys.length > 1 ? keys.slice(1) : keys;
    case 'upper':
      return upperOf(keys, voiced.chord);
    case 'second bass':
      return [secondBass(voiced, root, KEYBOARDS[profile.keyboard].low)];
    case 'peak':
      return [root + aboveRoot(voiced.chord, peak)];
    default:
      return [root + aboveRoot(voiced.chord, member)];
  }
}

/** The fifth as second bass: below the root where it stays clear there, else above it below the chord; else the root. */
function secondBass({ chord, voicing }: VoicedChange, root: number, lowest: number): number {
  // A written bass is not left.
  if (chord.bass !== null) return root;
  const up = aboveRoot(chord, 5);
  if (up >= 12) return root;
  const down = root + up - 12;
  if (down >= Math.max(lowest, LOWEST_SECOND_BASS)) return down;
  const [first] = upperOf(voicing.keys, chord);
  return root + up < first ? root + up : root;
}

/** E2: lower, a bass growls. */
const LOWEST_SECOND_BASS = 40;

/**
 * Half steps above the root (or slash bass) of a numbered member, over the octave from 8 on; the stated substitute where
 * the chord lacks it: what is suspended for a third, else the fifth, else the octave.
 */
export function aboveRoot(chord: Chord, member: number): number {
  if (member === 1) return 0;
  if (member === 8) return 12;
  if (member > 8) {
    const inOctave = aboveRoot(chord, member - 7);
    return inOctave >= 12 ? 12 : 12 + inOctave;
  }
  const base = chroma(bassOf(chord));
  const found = membersOf(chord).find(
    (m) => m.number === member || (member === 3 && (m.number === 4 || m.number === 2)),
  );
  const distance = found ? (found.chroma - base + 12) % 12 : 0;
  return distance > 0 ? distance : aboveRoot(chord, SUBSTITUTES[member] ?? 8);
}

/** Whether the chord has a third, or what is suspended for it, that another key than its bass can sound. */
export function thirdOf(chord: Chord): number | null {
  const third = membersOf(chord).find(({ number }) => [3, 4, 2].includes(number));
  return third && third.chroma !== chroma(bassOf(chord)) ? third.chroma : null;
}

/**
 * What is held at the end of a part: the low root with the chord above it where the hand spans both and they are clear,
 * else the chord as voiced.
 */
export function endingKeys({ voiced, profile, root }: FigureContext): readonly number[] {
  const whole = [root, ...upperOf(voiced.voicing.keys, voiced.chord).filter((key) => key > root)];
  const spans = spanMm(root, whole[whole.length - 1]) <= reachMm(profile.leftReach);
  return whole.length > 1 && spans && lowIntervalBreaches(whole).length === 0 ? whole : voiced.voicing.keys;
}
