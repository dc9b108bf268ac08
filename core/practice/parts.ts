import type { Arrangement } from '../arrangement';
import { Clock } from '../performance';
import { barAt } from '../song';
import type { PartToPractise } from './plan';

/** The parts of an arrangement as a plan sees them; a near copy is practised only in the bars that differ. */
export function partsToPractise(arrangement: Arrangement): PartToPractise[] {
  const { parts, played, song, efforts, arranged } = arrangement;
  const clock = new Clock(played.tempoMap, song.feel);
  const secondsOf = (from: number, to: number): number => clock.secondsAt(to) - clock.secondsAt(from);
  return parts.map((part, i): PartToPractise => {
    const { fromTick, toTick } = part;
    const hands = arranged[i];
    return {
      cutId: part.cutId,
      number: part.number,
      fromTick,
      toTick,
      seconds: secondsOf(fromTick, toTick),
      effort: efforts[i]?.total ?? 0,
      sameAs: part.sharesWith,
      differs: differing(),
      hasRight: (hands?.right.length ?? 0) > 0,
      hasLeft: (hands?.left.length ?? 0) > 0,
    };

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
