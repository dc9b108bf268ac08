import type { Arrangement } from '../arrangement';
import { learningOf } from '../parts';
import { handsThen } from './returning';
import { timesInWords } from './strikes';

/** So many parts that come back are told of a long song, those that come back most; more hide what they stand over. */
const MOST_TOLD = 4;

/** "4 parts, 3 different; left hand: 2 different. Learn part 2 once, play it twice." */
export function learningInWords(arrangement: Arrangement): string {
  const { parts, relations } = arrangement;
  const all = learningOf(parts);
  if (all.parts < 2) return 'One part: nothing comes back.';
  const sounding = relations.left.filter(({ relation }) => relation !== 'silent');
  const left = sounding.length > 0 ? learningOf(sounding).different : null;
  const times = new Map<number, number>();
  // Only what comes back with both hands is learned once.
  parts.forEach(({ relation, relatedTo }, index) => {
    if (relation === 'same' && relatedTo !== null && handsThen(arrangement, index) === 'same')
      times.set(relatedTo, (times.get(relatedTo) ?? 1) + 1);
  });
  const back = [...times];
  const most = new Set([...back].sort((a, b) => b[1] - a[1]).slice(0, MOST_TOLD));
  const once = back
    .filter((one) => most.has(one))
    .map(([number, count]) => `part ${number} once and play it ${timesInWords(count)}`);
  const others = back.length - once.length;
  if (others > 0) once.push(`${others} more come back too`);
  const different = all.different === all.parts ? 'all different' : `${all.different} different`;
  const leftWords = left === null ? '' : `; left hand: ${left === all.parts ? 'all' : left} different`;
  return `${all.parts} parts, ${different}${leftWords}.${once.length > 0 ? ` Learn ${once.join('; ')}.` : ''}`;
}
