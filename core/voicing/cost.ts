import { WHITE_MM } from '../music';
import { commonKeys, semitonesBetween } from './movement';
import type { Voicing } from './voicing';
import {
  LOW_INTERVAL_LIMITS,
  LOWER_PER_EXTRA_NOTE,
  REGISTER_CENTRE,
  REGISTER_FREE_BAND,
  type VoicingWeights,
} from './weights';

/** Points for moving from one voicing to the next. */
export function stepCost(from: Voicing, to: Voicing, weights: VoicingWeights): number {
  let cost = weights.semitone * semitonesBetween(from.keys, to.keys);
  if (weights.millimetresPerPoint > 0) {
    cost += Math.round(Math.abs(to.middleMm - from.middleMm) / weights.millimetresPerPoint);
  }
  if (weights.commonTone > 0) cost -= weights.commonTone * commonKeys(from.keys, to.keys);
  return cost;
}

/** Where a voicing stands: what its cost depends on besides its keys. */
export interface Place {
  readonly firstOrLast: boolean;
  /** Semitones the register is moved by choice. */
  readonly register: number;
  /** Chroma of the leading note of the key in force. */
  readonly leadingNote: number;
  readonly reachMm: number;
}

/** Points for a voicing in its place, whatever stands beside it. */
export function voicingCost(voicing: Voicing, place: Place, weights: VoicingWeights): number {
  const { keys } = voicing;
  let cost = weights.register * outsideRegister(keys, place.register);
  for (const below of lowIntervalBreaches(keys))
    cost += weights.lowInterval + weights.lowIntervalPerSemitone * below;
  if (voicing.spanMm > place.reachMm - WHITE_MM) cost += weights.nearFullReach;
  if (place.firstOrLast && voicing.inversion !== 0) cost += weights.notRootAtEnds;
  for (const member of voicing.missing) cost += missingCost(member, weights);
  const leading = keys.filter((key) => key % 12 === place.leadingNote).length;
  if (leading > 1) cost += weights.doubledLeadingNote * (leading - 1);
  return cost;
}

function missingCost(member: string, weights: VoicingWeights): number {
  if (/^[34]/.test(member)) return weights.missingThird;
  if (member === '1P') return weights.missingRoot;
  return member === '5P' ? 0 : weights.missingColour;
}

/** Whole semitones by which the centre of gravity lies outside the free band round its aim. */
function outsideRegister(keys: readonly number[], register: number): number {
  const aim = (keys.length === 1 ? REGISTER_CENTRE - 7 : REGISTER_CENTRE) + register;
  const thick = Math.max(0, keys.length - 3) * LOWER_PER_EXTRA_NOTE;
  const centre = keys.reduce((sum, key) => sum + key, 0) / keys.length;
  return Math.max(0, Math.round(Math.abs(centre - aim + thick)) - REGISTER_FREE_BAND);
}

/** For each adjacent pair below its low-interval limit, how many semitones below. */
export function lowIntervalBreaches(keys: readonly number[]): number[] {
  const breaches: number[] = [];
  for (let i = 1; i < keys.length; i++) {
    const limit = LOW_INTERVAL_LIMITS[keys[i] - keys[i - 1]] ?? 0;
    if (keys[i - 1] < limit) breaches.push(limit - keys[i - 1]);
  }
  return breaches;
}
