import type { Arrangement } from '../arrangement';
import type { Part } from '../parts';
import { comesBackWhole, plays } from './returning';
import { barsInWords } from './walkthrough';

/** What is learned first, in a few words. */
export const FIRST_HAND = {
  right: 'right hand first',
  left: 'left hand first',
  chords: 'chords first',
} as const;

/** What of a part is learned first; null where one hand plays alone. */
export function firstHandOf(arrangement: Arrangement, index: number): Part['choices']['firstHand'] | null {
  const playsBoth = plays(arrangement, index, 'right') && plays(arrangement, index, 'left');
  return playsBoth ? arrangement.parts[index].choices.firstHand : null;
}

const RELATIONS: Record<Part['relation'], string> = {
  same: 'same as',
  ending: 'new end to',
  varied: 'varied from',
  moved: 'moved from',
  rhythm: 'rhythm of',
  new: '',
};

/** A part in a line, for a list of parts: "bars 5–8 · same as 1 · left hand first". Right hand first is the custom, and not said. */
export function partLine(arrangement: Arrangement, index: number): string {
  const part = arrangement.parts[index];
  const first = firstHandOf(arrangement, index);
  const order = first === null || first === 'right' ? '' : FIRST_HAND[first];
  return [barsInWords(part), relationIn(arrangement, index), order].filter(Boolean).join(' · ');
}

/** The same is what both hands play again; else the tune alone comes back. */
function relationIn(arrangement: Arrangement, index: number): string {
  const { relation, relatedTo } = arrangement.parts[index];
  if (relatedTo === null) return '';
  const how = relation === 'same' && !comesBackWhole(arrangement, index) ? 'tune of' : RELATIONS[relation];
  return `${how} ${relatedTo}`;
}
