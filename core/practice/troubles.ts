import type { Hand } from '../hands';
import type { Judgement, JudgedKey } from './judge';

/** The ways something goes wrong. */
export const TROUBLE_KINDS = ['wrong', 'missed', 'late', 'early', 'extra', 'restart'] as const;
export type TroubleKind = (typeof TROUBLE_KINDS)[number];

/** A place that went wrong, and how. */
export interface Trouble {
  /** Of the bar; 0 is the pick-up. */
  readonly bar: number;
  /** Where its first slip is. */
  readonly tick: number;
  readonly hand: Hand;
  readonly kind: TroubleKind;
  readonly times: number;
  /** Mean beats late or early; 0 for other kinds. */
  readonly beats: number;
  /** Of one wrong key: which was wanted, and which was struck. */
  readonly instead?: { readonly wanted: number; readonly struck: number };
}

/** How much each kind weighs: what sounds wrong before what sounds uneven. */
const WEIGHT: Record<TroubleKind, number> = {
  restart: 4,
  wrong: 3,
  missed: 3,
  extra: 2,
  late: 1.5,
  early: 1.5,
};

/** The places that went wrong, the worst first: slips of one kind of one hand in one bar are one place. */
export function troublesOf(
  judgement: Judgement,
  barAt: (tick: number) => { readonly number: number; readonly beatSeconds: number },
): Trouble[] {
  const slips: { tick: number; hand: Hand; kind: TroubleKind; late: number; instead?: Trouble['instead'] }[] =
    [
      ...judgement.keys.filter(isSlip).map(({ wanted, how, late, struck }) => ({
        tick: wanted.tick,
        hand: wanted.hand,
        kind: how,
        late: late ?? 0,
        ...(struck === undefined ? {} : { instead: { wanted: wanted.midi, struck } }),
      })),
      ...judgement.extra.map(({ tick }) => ({
        tick,
        hand: handAt(judgement, tick),
        kind: 'extra' as const,
        late: 0,
      })),
      ...judgement.restarts.map((tick) => ({
        tick,
        hand: handAt(judgement, tick),
        kind: 'restart' as const,
        late: 0,
      })),
    ];
  const places = new Map<string, { trouble: Trouble; late: number }>();
  for (const { tick, hand, kind, late, instead } of slips) {
    const { number, beatSeconds } = barAt(tick);
    const name = `${number} ${hand} ${kind}`;
    const known = places.get(name);
    const times = (known?.trouble.times ?? 0) + 1;
    const sum = (known?.late ?? 0) + Math.abs(late) / beatSeconds;
    const isTimed = kind === 'late' || kind === 'early';
    places.set(name, {
      late: sum,
      trouble: {
        bar: number,
        tick: Math.min(tick, known?.trouble.tick ?? tick),
        hand,
        kind,
        times,
        beats: isTimed ? sum / times : 0,
        ...(instead && times === 1 ? { instead } : {}),
      },
    });
  }
  return [...places.values()]
    .map(({ trouble }) => trouble)
    .sort((a, b) => weightOf(b) - weightOf(a) || a.tick - b.tick);
}

function weightOf({ kind, times, beats }: Trouble): number {
  return WEIGHT[kind] * times + beats;
}

function isSlip(key: JudgedKey): key is JudgedKey & { readonly how: 'wrong' | 'missed' | 'late' | 'early' } {
  return ['wrong', 'missed', 'late', 'early'].includes(key.how);
}

/** The hand that was to play at or before a tick. */
function handAt({ keys }: Judgement, tick: number): Hand {
  return keys.findLast(({ wanted }) => wanted.tick <= tick)?.wanted.hand ?? 'right';
}
