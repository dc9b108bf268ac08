import { barTicks, groupsOf, type Metre, metreName, METRES, unitTicks } from '../music';

/**
 * How the units of a metre are grouped where beams begin, of the ways it can be; undefined where they say nothing else
 * than what is usual. `beginnings` in ticks from a bar line.
 */
export function beamedGroups(metre: Metre, beginnings: readonly number[]): number[] | undefined {
  const ways = METRES.filter((way) => metreName(way) === metreName(metre)).map(groupsOf);
  if (ways.length < 2 || beginnings.length === 0) return undefined;
  const whole = barTicks(metre);
  const agreeing = (way: readonly number[]): number => {
    let at = 0;
    const starts = new Set(way.map((size) => (at += size) - size));
    return beginnings.filter((tick) => starts.has((((tick % whole) + whole) % whole) / unitTicks(metre)))
      .length;
  };
  const [usual, ...others] = ways;
  const best = others.reduce((a, b) => (agreeing(b) > agreeing(a) ? b : a), usual);
  return best === usual ? undefined : [...best];
}
