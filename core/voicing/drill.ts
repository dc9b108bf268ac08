import { numeralOf, rootInKey } from '../harmony';
import { type Chord, chroma, type Key, type Pitch, reachMm, symbolOf, typeOfSuffix } from '../music';
import { type Profile, twelveKeys } from '../song';
import { leftBounds } from './bounds';
import { candidatesFor } from './candidates';
import { solve, type Spot } from './solver';
import { spell } from './voiced';
import { DEFAULT_WEIGHTS } from './weights';

/** A progression to be drilled, as degrees in half steps above the tonic. */
export interface DrillPattern {
  readonly name: string;
  readonly mode: Key['mode'];
  readonly chords: readonly { readonly degree: number; readonly suffix: string }[];
}

export const DRILLS: readonly DrillPattern[] = [
  { name: 'ii–V–I', mode: 'major', chords: chordsOf('2 m7', '7 7', '0 maj7') },
  { name: 'I–IV–V–I', mode: 'major', chords: chordsOf('0 ', '5 ', '7 7', '0 ') },
  { name: 'ii–V–i in minor', mode: 'minor', chords: chordsOf('2 m7b5', '7 7', '0 m7') },
  { name: 'i–iv–V–i', mode: 'minor', chords: chordsOf('0 m', '5 m', '7 7', '0 m') },
];

function chordsOf(...rows: string[]): DrillPattern['chords'] {
  return rows.map((row) => ({ degree: Number(row.split(' ')[0]), suffix: row.split(' ')[1] }));
}

/** A progression of the pianist's own, from chords in a key. */
export function drillFrom(name: string, chords: readonly Chord[], key: Key): DrillPattern {
  return {
    name,
    mode: key.mode,
    chords: chords.map((chord) => ({
      degree: (chroma(chord.root) - chroma(key.tonic) + 12) % 12,
      suffix: chord.type.suffix,
    })),
  };
}

/** How the keys follow one another in a drill. */
export type KeyOrder = 'falling-fifths' | 'half-steps-up' | 'whole-steps-down';
const STEP: Record<KeyOrder, number> = { 'falling-fifths': 5, 'half-steps-up': 1, 'whole-steps-down': 10 };

/** One chord of a drill. */
export interface DrillStep {
  readonly key: Key;
  readonly symbol: string;
  readonly numeral: string;
  readonly keys: readonly number[];
  readonly pitches: readonly Pitch[];
  /** First chord of a key. */
  readonly isFirst: boolean;
}

/**
 * A progression through keys with least movement over the whole drill, for the left hand, or the right an octave
 * higher. `count` keys from `first` on; whole steps come back after six keys and then go on a half step away.
 */
export function drillThrough(
  pattern: DrillPattern,
  first: Key,
  order: KeyOrder,
  count: number,
  profile: Profile,
  hand: 'left' | 'right',
): DrillStep[] {
  const keys = keysFrom({ ...first, mode: pattern.mode }, order, count);
  const steps = keys.flatMap((key) =>
    pattern.chords.map(({ degree, suffix }, i) => {
      const type = typeOfSuffix(suffix);
      if (!type) throw new RangeError(`There is no chord type "${suffix}".`);
      const root = rootInKey((chroma(key.tonic) + degree) % 12, type, key);
      return { key, chord: { root, type, bass: null } as Chord, isFirst: i === 0 };
    }),
  );
  const bounds = leftBounds(profile, hand === 'left' ? 68 : 84);
  const low = hand === 'left' ? Math.max(bounds.low, 43) : 57;
  const reach = reachMm(hand === 'left' ? profile.leftReach : profile.rightReach);
  const spots = steps.map(({ chord }, i): Spot => ({
    candidates: nonEmpty(chord, { ...bounds, low, reachMm: reach }),
    place: {
      firstOrLast: i === 0,
      register: hand === 'left' ? 0 : 12,
      leadingNote: 11,
      reachMm: reach,
    },
  }));
  const { chosen } = solve(spots, DEFAULT_WEIGHTS);
  return steps.map(({ key, chord, isFirst }, i) => {
    const { keys: held } = spots[i].candidates[chosen[i]];
    return {
      key,
      symbol: symbolOf(chord),
      numeral: numeralOf(chord, key),
      keys: held,
      pitches: spell(held, chord, key),
      isFirst,
    };
  });
}

/** The block; for a hand that does not reach it, three notes; at the least two. */
function nonEmpty(
  chord: Chord,
  bounds: Parameters<typeof candidatesFor>[2],
): ReturnType<typeof candidatesFor> {
  for (const layout of ['block', 'three', 'shell', 'partial'] as const) {
    const found = candidatesFor(chord, layout, bounds);
    if (found.length > 0) return found;
  }
  return candidatesFor(chord, 'bass', bounds);
}

function keysFrom(first: Key, order: KeyOrder, count: number): Key[] {
  const all = twelveKeys(first.mode);
  let at = chroma(first.tonic);
  return Array.from({ length: count }, (_, i) => {
    const key = i === 0 ? first : all[at];
    at = (at + STEP[order]) % 12;
    if (order === 'whole-steps-down' && (i + 1) % 6 === 0) at = (at + 1) % 12;
    return key;
  });
}

/** What was played beside what was asked for: right when the same keys were held, wherever on the keyboard if allowed. */
export interface Mark {
  readonly isRight: boolean;
  readonly missing: readonly number[];
  readonly extra: readonly number[];
}

/** Marks keys held against a chord of a drill, key by key; in another octave the whole shape counts as right. */
export function markKeys(wanted: readonly number[], played: readonly number[]): Mark {
  const held = [...new Set(played)].sort((a, b) => a - b);
  const asked = [...wanted].sort((a, b) => a - b);
  const shift = held.length > 0 && held.length === asked.length ? held[0] - asked[0] : 0;
  const isShifted = shift % 12 === 0 && held.every((key, i) => key - shift === asked[i]);
  if (isShifted && held.length === asked.length) return { isRight: true, missing: [], extra: [] };
  return {
    isRight: false,
    missing: asked.filter((key) => !held.includes(key)),
    extra: held.filter((key) => !asked.includes(key)),
  };
}
