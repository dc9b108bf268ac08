import { listed } from '../sentences';
import type { ChoiceName } from '../song';

/** In the order they are told. */
const NAMES: Record<ChoiceName, string> = {
  level: 'level',
  pattern: 'pattern',
  layout: 'voicing style',
  register: 'register of the left hand',
  pedal: 'pedal',
  dynamics: 'loudness',
  rhythm: 'rhythm',
  octaveShift: 'octave',
  shownOctave: 'octave shown',
  firstHand: 'hand learned first',
  restrike: 'long chords',
  thumb: 'thumb',
  ending: 'last bars',
  fills: 'fills',
  style: 'style',
  fuller: 'fuller right hand',
};

/** "level and pattern", "level, pattern and pedal", in one order. */
export function choicesInWords(names: readonly ChoiceName[]): string {
  const wanted = new Set<string>(names);
  return listed(Object.entries(NAMES).flatMap(([name, told]) => (wanted.has(name) ? [told] : [])));
}

/** "part 3", "parts 3 and 6". */
export function partsListed(numbers: readonly number[]): string {
  return `${numbers.length === 1 ? 'part' : 'parts'} ${listed(numbers.map(String))}`;
}
