import {
  bassOf,
  type Chord,
  chroma,
  type Key,
  KEYBOARDS,
  LETTERS,
  membersOf,
  reachMm,
  scaleOf,
  spanMm,
} from '../music';
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
  /** What a chord lacks of 2, 4, 6, 9, 11 and 13 is the step of the key; absent: the stated substitute. */
  readonly takesSteps?: boolean;
  /** The root of the next chord, to walk to; absent where none follows in the part. */
  readonly next?: number | null;
}

/** Keys of an event's members, lowest first, each once. */
export function keysOf(context: FigureContext, members: readonly PatternMember[]): number[] {
  const keys = members.flatMap((member) => keysOfMember(context, member));
  return [...new Set(keys)].sort((a, b) => a - b);
}

/** The key at a place of a voicing, 1 the lowest; beyond its top they come again an octave up. */
export function keyAtPlace(keys: readonly number[], place: number): number {
  return keys[(place - 1) % keys.length] + 12 * Math.floor((place - 1) / keys.length);
}

function keysOfMember(
  { voiced, profile, root, peak, takesSteps = false, next = null }: FigureContext,
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
    case 'second-bass':
      return [secondBass(voiced, root, KEYBOARDS[profile.keyboard].low)];
    case 'last-but-one':
      return [walkTo(voiced, root, next, 2)];
    case 'last':
      return [walkTo(voiced, root, next, 1)];
    case 'peak':
      return [root + aboveRoot(voiced.chord, peak)];
    default:
      return [root + aboveRoot(voiced.chord, member, takesSteps ? voiced.key : null)];
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

/**
 * The key so many steps of the scale before the next root, on the side the bass comes from; the chord's own root and
 * fifth where it stays or nothing follows. In minor the walk up to the tonic has the raised sixth and seventh.
 */
function walkTo({ chord, key }: VoicedChange, root: number, next: number | null, steps: 1 | 2): number {
  if (next === null || next === root) return root + (steps === 1 ? aboveRoot(chord, 5) : 0);
  const up = next > root;
  const tonic = chroma(key.tonic);
  const isRaised = key.mode === 'minor' && up && next % 12 === tonic;
  const scale = new Set(scaleOf(key).map(chroma));
  if (isRaised)
    for (const [plain, by] of [
      [8, 9],
      [10, 11],
    ]) {
      scale.delete((tonic + plain) % 12);
      scale.add((tonic + by) % 12);
    }
  let found = next;
  for (let left: number = steps; left > 0;) {
    found += up ? -1 : 1;
    if (scale.has(((found % 12) + 12) % 12)) left--;
  }
  return found;
}

/** E2: lower, a bass growls. */
const LOWEST_SECOND_BASS = 40;

/** Members a triad has not, by their place in the octave: the chord's own where it has them, else the step of the key. */
const STEPS = [2, 4, 6];

/**
 * Half steps above the root (or slash bass) of a numbered member, over the octave from 8 on; where the chord lacks it the
 * step of the key for a second, fourth or sixth (a ninth only a whole step above a chord with a third), else the stated substitute: what
 * is suspended for a third, else the fifth, else the octave.
 */
export function aboveRoot(chord: Chord, member: number, key: Key | null = null): number {
  if (member === 1) return 0;
  if (member === 8) return 12;
  if (member === 15) return 24;
  const octave = member > 8 ? 12 : 0;
  const distance = ownDistance(chord, member) ?? (key && keyDistance(chord, member, key));
  return distance ? octave + distance : aboveRoot(chord, SUBSTITUTES[member] ?? 8);
}

/** Half steps above the root of a member the chord has, within the octave; null where it has none. */
function ownDistance(chord: Chord, member: number): number | null {
  const found = membersOf(chord).find(({ number }) => isMember(number, member));
  return found ? (found.chroma - chroma(bassOf(chord)) + 12) % 12 : null;
}

/** Whether a chord member of a number is what a pattern names: 13 is a sixth, 10 a third or what is suspended for it. */
export function isMember(number: number, wanted: number): boolean {
  const place = (each: number): number => ((each - 1) % 7) + 1;
  return place(number) === place(wanted) || (place(wanted) === 3 && (number === 4 || number === 2));
}

/** The step of a key above the root of a chord; null for what is no step between its members. */
function keyDistance(chord: Chord, member: number, key: Key): number | null {
  if (!STEPS.includes(((member - 1) % 7) + 1)) return null;
  const root = bassOf(chord);
  const letter = LETTERS[(LETTERS.indexOf(root.letter) + member - 1) % 7];
  const step = scaleOf(key).find((pitch) => pitch.letter === letter);
  const distance = step ? (chroma(step) - chroma(root) + 12) % 12 : 0;
  const isNinth = member === 9 && (distance === 1 || thirdOf(chord) === null);
  return distance === 0 || isNinth ? null : distance;
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
export function endingKeys({ voiced, profile, root }: FigureContext, isThin = false): readonly number[] {
  if (isThin) return thinEnding(voiced.chord, root, profile);
  const whole = [root, ...upperOf(voiced.voicing.keys, voiced.chord).filter((key) => key > root)];
  const spans = spanMm(root, whole[whole.length - 1]) <= reachMm(profile.leftReach);
  return whole.length > 1 && spans && lowIntervalBreaches(whole).length === 0 ? whole : voiced.voicing.keys;
}

/** Root and third: a tenth where the hand spans it, else side by side where that is clear, else the tenth rolled. */
function thinEnding(chord: Chord, root: number, { leftReach }: Profile): readonly number[] {
  const third = aboveRoot(chord, 3);
  const wide = [root, root + (third < 12 ? 12 + third : 12)];
  const close = [root, root + third];
  const spans = spanMm(wide[0], wide[1]) <= reachMm(leftReach);
  return spans || lowIntervalBreaches(close).length > 0 ? wide : close;
}
