import { type Metre, TICKS_PER_QUARTER } from '../music';
import { metreOfLength } from './musicxmlPieces';
import { child, childrenOf, childText, type Element } from './xmlTree';

const FOUR_FOUR: Metre = { numerator: 4, denominator: 4 };

/** Ticks the notes, rests and moves of a bar fill, its divisions being those in force or its own. */
export function filledTicks(
  measure: Element,
  divisions: number,
): { readonly ticks: number; readonly divisions: number } {
  let [own, at, furthest] = [divisions, 0, 0];
  for (const element of measure.children) {
    if (element.name === 'attributes') own = Number(childText(element, 'divisions') ?? own) || own;
    const ticks = (Number(childText(element, 'duration') ?? 0) * TICKS_PER_QUARTER) / own;
    if (!Number.isFinite(ticks)) continue;
    if (element.name === 'backup') at = Math.max(0, at - ticks);
    else if (element.name === 'forward') at += ticks;
    else if (element.name === 'note' && !child(element, 'chord') && !child(element, 'grace')) at += ticks;
    furthest = Math.max(furthest, at);
  }
  return { ticks: Math.round(furthest), divisions: own };
}

/** The metre of a part without a time signature: what most of its bars fill; 4/4 where that says nothing or one is given. */
export function metreOfBars(measures: readonly Element[]): Metre {
  const hasMetre = measures.some((measure) =>
    childrenOf(measure, 'attributes').some((attributes) => child(child(attributes, 'time'), 'beats')),
  );
  if (hasMetre) return FOUR_FOUR;
  const counts = new Map<number, number>();
  let divisions = 1;
  for (const measure of measures) {
    const filled = filledTicks(measure, divisions);
    divisions = filled.divisions;
    if (filled.ticks > 0) counts.set(filled.ticks, (counts.get(filled.ticks) ?? 0) + 1);
  }
  const [usual] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [0];
  return usual > 0 ? metreOfLength(usual) : FOUR_FOUR;
}

/** Whether a bar ends at a repeat sign or a double bar line, or the next begins with a repeat: a place where bars are split. */
export function isSplitAfter(measure: Element, next: Element | null): boolean {
  const ends = childrenOf(measure, 'barline').some(
    (line) =>
      line.attributes['location'] !== 'left' &&
      (child(line, 'repeat') !== undefined ||
        /light-light|light-heavy|heavy/.test(childText(line, 'bar-style') ?? '')),
  );
  const begins = next ? childrenOf(next, 'barline') : [];
  return ends || begins.some((line) => child(line, 'repeat')?.attributes['direction'] === 'forward');
}
