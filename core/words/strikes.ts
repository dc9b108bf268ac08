import type { Strike } from '../hands';
import { nameOf, typeset } from '../music';

/** "G2 D3 G3 D3, twice", "A2, then C3+E3 twice", "G2+D3+B3 rolled": what is struck one after the other, what comes again counted. */
export function struckInWords(strikes: readonly Strike[]): string {
  const rolled = (keys: Strike): string => (keys.some((key) => key.rolled !== undefined) ? ' rolled' : '');
  return again(strikes.map((keys) => togetherInWords(keys) + rolled(keys)));
}

/** "C3+E3": keys struck together. */
export function togetherInWords(keys: Strike): string {
  return keys.map(({ pitch }) => typeset(nameOf(pitch))).join('+');
}

/** ", fingers 5 2 1 2", ", fingers 5, then 3-1 twice": those of the same strikes, lowest key first; empty where there are none. */
export function fingersInWords(strikes: readonly Strike[]): string {
  const fingers = strikes.flatMap((keys) => keys.map(({ finger }) => finger));
  if (fingers.includes(null)) return '';
  return `, finger${fingers.length === 1 ? '' : 's'} ${again(strikes.map((keys) => keys.map(({ finger }) => finger).join('-')))}`;
}

/** Words in order, a whole that repeats told once with how often, a last word that repeats counted. */
function again(words: readonly string[]): string {
  for (let size = 1; size <= words.length / 2; size++) {
    const times = words.length / size;
    if (Number.isInteger(times) && words.every((word, i) => word === words[i % size])) {
      const once = words.slice(0, size).join(' ');
      return `${once}${size > 1 ? ',' : ''} ${timesInWords(times)}`;
    }
  }
  const last = words[words.length - 1];
  const from = words.findLastIndex((word) => word !== last) + 1;
  const times = words.length - from;
  if (times < 2 || from === 0) return words.join(' ');
  return `${words.slice(0, from).join(' ')}, then ${last} ${timesInWords(times)}`;
}

/** "once", "twice", "3 times". */
export function timesInWords(times: number): string {
  return ['never', 'once', 'twice'][times] ?? `${times} times`;
}
