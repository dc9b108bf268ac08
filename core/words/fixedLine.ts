import { countAt } from '../joining';
import { type Key, type Metre, nameOf, spellInKey, TICKS_PER_QUARTER, typeset } from '../music';
import type { OwnPattern } from '../song';

/** A fixed line, a strike each: "1: C3", "2 &: E3 G3"; of two bars the bar goes first: "bar 2, 1: C3". Spelled in a key. */
export function lineInWords(events: OwnPattern['events'], key: Key, metre: Metre): string[] {
  const length = (4 * TICKS_PER_QUARTER * metre.numerator) / metre.denominator;
  const isLonger = events.some(({ onset }) => onset * TICKS_PER_QUARTER >= length);
  return events.map(({ onset, members, grace }) => {
    const tick = Math.round(onset * TICKS_PER_QUARTER);
    const number = Math.floor(tick / length) + 1;
    const count = countAt({ number, tick: (number - 1) * length, length, metre }, tick);
    const keys = members.flatMap((member) =>
      typeof member === 'number' ? [typeset(nameOf(spellInKey(member, key)))] : [],
    );
    return `${isLonger ? `bar ${number}, ` : ''}${count}: ${keys.join(' ')}${grace ? ', just before' : ''}`;
  });
}
