import type { HandEvent } from './event';

/** Single notes one after the other, no rest between them. */
export interface Line {
  /** Index of the first event. */
  readonly from: number;
  readonly keys: readonly number[];
}

/** Stretches of single notes with no rest inside. */
export function phrasesIn(events: readonly HandEvent[]): Line[] {
  const phrases: { from: number; keys: number[] }[] = [];
  let goesOn = false;
  events.forEach(({ keys, afterRest }, i) => {
    if (keys.length !== 1) goesOn = false;
    else if (goesOn && !afterRest) phrases[phrases.length - 1].keys.push(keys[0]);
    else {
      phrases.push({ from: i, keys: [keys[0]] });
      goesOn = true;
    }
  });
  return phrases;
}

/** No step of a scale or a broken chord is wider, in semitones. */
const WIDEST_STEP = 6;

/** Stretches of a phrase in one direction. */
export function runsIn(phrase: Line): Line[] {
  const { keys } = phrase;
  const runs: Line[] = [];
  const stepAt = (i: number): number => {
    const step = keys[i + 1] - keys[i];
    return Math.abs(step) <= WIDEST_STEP ? step : 0;
  };
  for (let from = 0; from < keys.length - 1;) {
    const direction = Math.sign(stepAt(from));
    let to = from;
    while (to < keys.length - 1 && direction !== 0 && Math.sign(stepAt(to)) === direction) to++;
    if (to > from) runs.push({ from: phrase.from + from, keys: keys.slice(from, to + 1) });
    from = Math.max(to, from + 1);
  }
  return runs;
}

/** The class of a key, 0 for C to 11. */
export function classOf(key: number): number {
  return ((key % 12) + 12) % 12;
}
