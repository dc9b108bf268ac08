import { type Arrangement, changesIn } from '../arrangement';
import { classNameOf, typeset } from '../music';
import { partCard } from './partCard';
import { meetingInWords } from './walkthrough';

/**
 * What the seam shows of a part, for those who do not see it: its place, the right hand bar by bar, each chord with
 * what it meets and its keys from the lowest.
 */
export function partSummary(arrangement: Arrangement, index: number): string[] {
  const { title, bars, relation, firstKey, lines } = partCard(arrangement, index);
  const chords = changesIn(arrangement.changes, arrangement.parts[index]).map((change) => {
    const keys = change.pitches.map((pitch) => typeset(classNameOf(pitch))).join(' ');
    return `${meetingInWords(change)} Left hand: ${keys}.`;
  });
  return [
    `${title}, ${bars}.`,
    ...(relation ? [relation] : []),
    firstKey ? `The right hand starts on ${firstKey}.` : 'The right hand is silent.',
    ...lines.map(({ bar, letters, counts }) => {
      const place = bar === 'pick-up' ? 'Pick-up' : `Bar ${bar}`;
      return letters ? `${place}: ${letters}${counts ? `, on ${counts}` : ''}.` : `${place}: a rest.`;
    }),
    ...chords,
  ];
}
