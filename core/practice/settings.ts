import * as z from 'zod';
import { renamed } from '../schemas';
import { REST_AFTER_MINUTES } from './care';
import type { Along } from './along';
import type { Pushing } from './companion';
import { type Goal, GOAL } from './goal';

/** How one wants to practise; defaults are proposals. */
export interface PractiseSettings {
  readonly minutes: number;
  readonly chain: 'growing' | 'pairs';
  readonly goal: Goal;
  /** Minutes of playing after which a rest is proposed; null: never. */
  readonly restAfter: number | null;
  /** A clean turn is followed by the next without a key being pressed: after a bar of rest, or after a beat; false: not. */
  readonly goesOn: false | 'bar' | 'beat';
  /** What the program plays with the player, and how far it may push. */
  readonly along: Along;
  readonly pushing: Pushing;
}

export const PRACTISE_SETTINGS: PractiseSettings = {
  minutes: 20,
  chain: 'growing',
  goal: GOAL,
  restAfter: REST_AFTER_MINUTES,
  goesOn: false,
  along: 'click',
  pushing: 'strict',
};

const settingsSchema = z.object({
  minutes: z.number().int().min(5).max(240),
  chain: z.enum(['growing', 'pairs']),
  goal: z.object({
    turns: z.number().int().min(1).max(10),
    from: z.number().int().min(30).max(100),
    by: z.number().int().min(1).max(50),
    cleanFrom: z.number().min(0.5).max(1),
  }),
  restAfter: z.number().int().min(5).max(120).nullable(),
  goesOn: z.union([z.literal(false), z.enum(['bar', 'beat'])]),
  along: z.enum(['click', 'hand', 'bass']).default('click'),
  pushing: z.enum(['strict', 'follows', 'waits']).default('strict'),
});

/** Settings as stored; the usual ones where there are none, or they are none. */
export function readSettings(value: unknown): PractiseSettings {
  const read = settingsSchema.safeParse(ofToday(renamed(value, { gate: 'goal' })));
  return read.success ? read.data : PRACTISE_SETTINGS;
}

/** Settings as they were stored before: of a hand that played along was told how, and else nothing played. */
function ofToday(stored: unknown): unknown {
  const pushing = (stored as { otherHand?: unknown } | null | undefined)?.otherHand;
  if (typeof pushing !== 'string' || pushing === 'silent') return stored;
  return { ...(stored as object), along: 'hand', pushing };
}
