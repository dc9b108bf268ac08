import { listed } from '../sentences';
import type { ChoiceName } from '../song';

const NAMES: Record<ChoiceName, string> = {
  layout: 'voicing style',
  pattern: 'pattern',
  level: 'level',
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
  fuller: 'fuller right hand',
};

/** "level and pattern", "level, pattern and pedal". */
export function choicesInWords(names: readonly ChoiceName[]): string {
  return listed(names.map((name) => NAMES[name]));
}

/** "part 3", "parts 3 and 6". */
export function partsListed(numbers: readonly number[]): string {
  return `${numbers.length === 1 ? 'part' : 'parts'} ${listed(numbers.map(String))}`;
}
