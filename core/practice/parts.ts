import type { Arrangement } from '../arrangement';
import { Clock } from '../performance';
import { barAt } from '../song';
import type { Turn } from './log';
import type { Span } from './task';
import type { PartToPractise } from './plan';
import { withBarBefore } from './spots';

/** A bar stands out that is so many times as hard as the bars of its part on the whole. */
const STANDS_OUT = 1.25;
/** Of so many turns the last are looked at. */
const LAST_TURNS = 8;

/**
 * The parts of an arrangement as a plan sees them; a near copy is practised only in the bars that differ. `turns` are
 * those played before, the oldest first.
 */
export function partsToPractise(
  arrangement: Arrangement,
  turns: readonly Pick<Turn, 'card' | 'isClean'>[] = [],
): PartToPractise[] {
  const { parts, played, song, efforts, arranged } = arrangement;
  const clock = new Clock(played.tempoMap, song.feel);
  const secondsOf = (from: number, to: number): number => clock.secondsAt(to) - clock.secondsAt(from);
  return parts.map((part, i): PartToPractise => {
    const { fromTick, toTick } = part;
    const hands = arranged[i];
    const differs = differing();
    return {
      cutId: part.cutId,
      number: part.number,
      fromTick,
      toTick,
      seconds: secondsOf(fromTick, toTick),
      effort: efforts[i]?.total ?? 0,
      sameAs: part.sharesWith,
      differs,
      hardest: hardest(),
      missed: missedOf(part.cutId, turns),
      hasRight: (hands?.right.length ?? 0) > 0,
      hasLeft: (hands?.left.length ?? 0) > 0,
    };

    function hardest(): Span | null {
      const bars = efforts[i]?.bars ?? [];
      const mean = bars.reduce((sum, bar) => sum + bar.total, 0) / Math.max(1, bars.length);
      const most = bars.reduce((top, bar) => (bar.total > top.total ? bar : top), bars[0]);
      if (bars.length < 2 || !most || most.total < STANDS_OUT * mean) return null;
      const at = played.bars.findIndex(({ number }) => number === most.number);
      // What a near copy has in common is practised there.
      const { tick } = played.bars[at];
      if (differs && (tick < differs.fromTick || tick >= differs.toTick)) return null;
      return withBarBefore(played.bars, at, (tick) => clock.secondsAt(tick));
    }

    function differing(): PartToPractise['differs'] {
      if (part.differs.length === 0 || part.relatedTo === null || part.sharesWith !== null) return null;
      const first = barAt(played.bars, fromTick);
      const own = played.bars.filter(({ tick }) => tick >= first.tick && tick < toTick);
      const full = own.filter(({ number, tick }) => number > 0 && tick >= fromTick);
      const bars = part.differs.flatMap((at) => full[at] ?? []);
      if (bars.length === 0 || bars.length === full.length) return null;
      const from = Math.max(fromTick, Math.min(...bars.map(({ tick }) => tick)));
      const to = Math.min(toTick, Math.max(...bars.map(({ tick, length }) => tick + length)));
      return { fromTick: from, toTick: to, seconds: secondsOf(from, to) };
    }
  });
}

/** Share of the last turns at a part that went wrong. */
function missedOf(cutId: string, turns: readonly Pick<Turn, 'card' | 'isClean'>[]): number {
  const own = turns.filter(({ card }) => card.startsWith(`${cutId}|`)).slice(-LAST_TURNS);
  return own.length === 0 ? 0 : own.filter(({ isClean }) => !isClean).length / own.length;
}
