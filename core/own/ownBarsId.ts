import type { OwnBars } from '../song';

/** Own bars are known by their place, so that what is typed fast is written over itself: "left instead 2880+5760". */
export function ownBarsId({ hand, how, pass, tick, length }: Omit<OwnBars, 'id' | 'notes'>): string {
  return `${hand} ${how} ${tick}+${length}${pass === null ? '' : ` time ${pass}`}`;
}
