import { bassOf, type Chord, chroma, KEYBOARDS, membersOf, reachMm, scaleOf, spanMm } from '../music';
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
  /** The root of the next chord, to walk to; absent where none follows in the part. */
  readonly next?: number | null;
}

/** Keys of an event's members, lowest first, each once. */
export function keysOf(context: FigureContext, members: readonly PatternMember[]): number[] {
  const keys = members.flatMap((member) => keysOfMember(context, member));
  return [...new Set(keys)].sort((a, b) => a - b);
}

function keysOfMember(
  { voiced, profile, root, peak, next = null }: FigureContext,
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

/**
 * Half steps above the root (or slash bass) of a numbered member, over the octave from 8 on; the stated substitute where
 * the chord lacks it: what is suspended for a third, else the fifth, else the octave.
 */
export function aboveRoot(chord: Chord, member: number): number {
  if (member === 1) return 0;
  if (member === 8) return 12;
  if (member === 15) return 24;
  // A ninth is a member of its own; what else lies over the octave is one of those below it.
  const number = member > 8 && member !== 9 ? member - 7 : member;
  const octave = member > 8 ? 12 : 0;
  const base = chroma(bassOf(chord));
  const found = membersOf(chord).find(
    (m) =>
      m.number === number ||
      (number === 3 && (m.number === 4 || m.number === 2)) ||
      (number === 9 && m.number === 2),
  );
  const distance = found ? (found.chroma - base + 12) % 12 : 0;
  return distance > 0 ? octave + distance : aboveRoot(chord, SUBSTITUTES[member] ?? 8);
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
