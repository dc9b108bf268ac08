import type { Arrangement } from '../arrangement';
import { learningOf } from '../parts';

/** "4 parts, 3 different; left hand: 2 different. Learn part 2 once, play it twice." */
export function learningInWords({ parts, relations }: Arrangement): string {
  const all = learningOf(parts);
  if (all.parts < 2) return 'One part: nothing comes back.';
  const left = relations.left.length > 0 ? learningOf(relations.left).different : null;
  const times = new Map<number, number>();
  for (const part of parts)
    if (part.relation === 'same' && part.relatedTo !== null)
      times.set(part.relatedTo, (times.get(part.relatedTo) ?? 1) + 1);
  const once = [...times].map(([number, count]) => `part ${number} once and play it ${timesInWords(count)}`);
  const different = all.different === all.parts ? 'all different' : `${all.different} different`;
  const leftWords = left === null ? '' : `; left hand: ${left === all.parts ? 'all' : left} different`;
  return `${all.parts} parts, ${different}${leftWords}.${once.length > 0 ? ` Learn ${once.join('; ')}.` : ''}`;
}

function timesInWords(count: number): string {
  return count === 2 ? 'twice' : `${count} times`;
}
