import { KEYBOARDS, reachMm, spanMm, typeset } from '../music';
import { offers, says } from '../sentences';
import { type Finding, type PlayedBar, type Profile } from '../song';
import { lowIntervalBreaches, type Sounding, soundingIn, type VoicedChange } from '../voicing';
import type { Pattern } from './pattern';
import { TOO_NEAR } from './roots';
import type { Strike } from './strikes';

/** The melody a figure is played under. */
export interface Under {
  readonly melody: readonly Sounding[];
  readonly longestNote: number;
}

/** Whether a key of the strikes comes within two half steps of the melody that sounds with it. */
export function bumps(under: Under, strikes: readonly Strike[]): boolean {
  return strikes.some((strike) => strike.keys.some((key) => isInTheWay(under, strike, key)));
}

function isInTheWay({ melody, longestNote }: Under, { tick, length }: Strike, key: number): boolean {
  return soundingIn(melody, tick, tick + length, longestNote).some((note) => key >= note.midi - TOO_NEAR);
}

/** The same strikes without the keys in the way; empty when a strike would be left with none. */
export function thinned(under: Under, strikes: readonly Strike[]): Strike[] {
  const thin = strikes.map((strike) => ({
    ...strike,
    keys: strike.keys.filter((key) => !isInTheWay(under, strike, key)),
  }));
  return thin.every((strike) => strike.keys.length > 0) ? thin : [];
}

/** The same strikes an octave lower; empty where the keyboard ends, the hand does not span them, or they would be muddy. */
export function dropped({ keyboard, leftReach }: Profile, strikes: readonly Strike[]): Strike[] {
  const lower = strikes.map((strike) => ({ ...strike, keys: strike.keys.map((key) => key - 12) }));
  const { low } = KEYBOARDS[keyboard];
  const playable = lower.every(
    ({ keys }) => keys[0] >= low && spanMm(keys[0], keys[keys.length - 1]) <= reachMm(leftReach),
  );
  return playable && lower.every(({ keys }) => lowIntervalBreaches(keys).length === 0) ? lower : [];
}

/** What is said where a pattern gave way. */
export function thinnedFinding(
  { change }: VoicedChange,
  bar: PlayedBar,
  tick: number,
  pattern: Pattern,
  what: 'thins' | 'drops-octave' | 'holds-block',
): Finding {
  return {
    kind: 'thinned',
    tick,
    says: [says.thinned(pattern.name, what, typeset(change.symbol), bar.number)],
    sameAs: what,
    remedies: [{ offer: offers.inFull(), edit: { kind: 'thinning', changeId: change.id, refused: true } }],
  };
}
