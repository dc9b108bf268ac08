import { barInWords, theBar } from '../sentences';
import { type Arrangement, changesIn } from '../arrangement';
import type { HandNote } from '../hands';
import { classNameOf, typeset } from '../music';
import { gotOrMade } from '../memory';
import { partCard } from './partCard';
import { leftPlayed, meetingInWords } from './meetings';
import { besideTune } from './walkthrough';

/**
 * What the seam shows of a part, for those who do not see it: its place, the right hand bar by bar, each chord with
 * what it meets and what the left hand strikes for it, one strike after the other, from the lowest key.
 */
export function partSummary(arrangement: Arrangement, index: number): string[] {
  const { title, bars, relation, firstKey, lines } = partCard(arrangement, index);
  const left = arrangement.arranged[index]?.left ?? [];
  const right = (arrangement.arranged[index]?.right ?? []).filter(({ grace }) => !grace);
  const chords = changesIn(arrangement.changes, arrangement.parts[index]).map(
    (change) =>
      `${meetingInWords(change, leftPlayed(arrangement))} Left hand: ${struckInWords(left, change.change.id)}.`,
  );
  return [
    `${title}, ${bars}.`,
    ...(relation ? [relation] : []),
    firstKey ? `The right hand starts on ${firstKey}.` : 'The right hand is silent.',
    ...lines.map(({ bar, letters, counts }) => {
      const place = barInWords(bar);
      return letters ? `${place}: ${letters}${counts ? `, on ${counts}` : ''}.` : `${place}: a rest.`;
    }),
    ...besideTune(right, arrangement.played.bars).map(
      ({ bar, told }) => `Right hand, ${theBar(bar)}: ${told}`,
    ),
    ...chords,
  ];
}

/** "E, then A C, then A C": the strikes that come from a change. */
function struckInWords(left: readonly HandNote[], changeId: string): string {
  const strikes = new Map<number, string[]>();
  for (const { from, tick, pitch } of left)
    if (from === changeId) gotOrMade(strikes, tick, (): string[] => []).push(typeset(classNameOf(pitch)));
  return [...strikes.values()].map((keys) => keys.join(' ')).join(', then ') || 'rests';
}
