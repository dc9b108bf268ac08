import type { Arrangement } from '../arrangement';
import { keyName, metreName } from '../music';
import type { Loudness } from '../shaping';
import { lastAtOrBefore, type PlayedBar } from '../song';
import { el, type Element } from './xmlTree';

/** Bars of a score with what is written in each. */
interface Measures {
  readonly bars: readonly PlayedBar[];
  readonly measures: readonly Element[];
  /** How loud it is played; none where it does not say so. */
  readonly loudness: readonly Loudness[];
}

/** Bars that are written, in their order. */
type Written = Pick<Measures, 'bars' | 'measures'>;

/** A stretch that is played twice: bars of the score by their place, ends not included. */
interface Repeat {
  readonly from: number;
  /** Where the first ending begins; the end where there is none. */
  readonly ending: number;
  readonly to: number;
}

/** Endings are no longer than this, in bars: what differs more is written out. Source: common practice. */
const LONGEST_ENDING = 4;

/**
 * A score in which a stretch that comes back alike is written once, between repeat signs, with endings where its last bars
 * differ. What is sung the second time stands under the first; numbers of both parts stand at their bar. What is played
 * differently is written out as before. Fingers are those of the first time.
 */
export function foldedMeasures(arrangement: Arrangement, whole: Measures): Written {
  const { bars, measures } = whole;
  const kept: { bar: PlayedBar; measure: Element }[] = [];
  for (let at = 0; at < bars.length;) {
    const repeat = repeatAt(arrangement, whole, at);
    if (!repeat) {
      kept.push({ bar: bars[at], measure: measures[at] });
      at++;
      continue;
    }
    const { from, ending, to } = repeat;
    const hasVerses = measures
      .slice(from, ending)
      .some((measure, i) => sungIn(measure) !== sungIn(measures[to + i]));
    for (let i = from; i < to; i++) {
      const common =
        i < ending ? withSecondTime(measures[i], measures[to + i - from], hasVerses) : measures[i];
      const left = [
        ...(i === from && from > 0 ? [el('repeat', [], { direction: 'forward' })] : []),
        ...(i === ending ? [endingSign(1, 'start')] : []),
      ];
      const isEnd = i === to - 1;
      const right = [
        ...(isEnd ? [el('bar-style', 'light-heavy')] : []),
        ...(isEnd && ending < to ? [endingSign(1, 'stop')] : []),
        ...(isEnd ? [el('repeat', [], { direction: 'backward' })] : []),
      ];
      kept.push({ bar: bars[i], measure: withBarlines(common, left, right) });
    }
    // The second ending, as long as the first.
    const second = to + ending - from;
    const last = Math.min(bars.length, second + to - ending);
    for (let i = second; i < last; i++) {
      const left = i === second ? [endingSign(2, 'start')] : [];
      const right = i === last - 1 ? [endingSign(2, 'discontinue')] : [];
      kept.push({ bar: bars[i], measure: withBarlines(measures[i], left, right) });
    }
    at = last;
  }
  return { bars: kept.map(({ bar }) => bar), measures: kept.map(({ measure }) => measure) };
}

/** The stretch that begins at a bar and comes back alike; null where there is none, or too much of it differs. */
function repeatAt(arrangement: Arrangement, whole: Measures, from: number): Repeat | null {
  const { bars } = whole;
  let to = from + 1;
  while (to < bars.length && bars[to].written > bars[to - 1].written) to++;
  if (to >= bars.length || bars[to].written !== bars[from].written) return null;
  if (isHeldInto(arrangement, bars[from].tick) || isHeldInto(arrangement, bars[to].tick)) return null;
  const length = to - from;
  let alike = 0;
  while (alike < length && isAlike(arrangement, whole, from + alike, to + alike)) alike++;
  const [differs, left] = [length - alike, bars.length - to - alike];
  const isFolded = differs === 0 || (differs <= LONGEST_ENDING && alike >= differs && left >= differs);
  // The second ending is played straight on.
  const goesOn = bars
    .slice(to + alike, to + alike + differs)
    .every((bar, i, all) => i === 0 || bar.written > all[i - 1].written);
  return isFolded && goesOn ? { from, ending: from + alike, to } : null;
}

function isHeldInto({ right, left }: Arrangement, tick: number): boolean {
  return [...right, ...left].some((note) => note.tick < tick && note.tick + note.length > tick);
}

function isAlike(arrangement: Arrangement, whole: Measures, a: number, b: number): boolean {
  const { bars, measures, loudness } = whole;
  if (bars[b]?.written !== bars[a].written || bars[a].length !== bars[b].length) return false;
  const inForce = (bar: PlayedBar): string => inForceAt(arrangement, bar, loudness);
  if (inForce(bars[a]) !== inForce(bars[b])) return false;
  return asPlayed(measures[a]) === asPlayed(measures[b]);
}

/** Metre, key, tempo and loudness at the beginning of a bar, whether they are written there or before. */
function inForceAt(
  arrangement: Arrangement,
  { tick, metre }: PlayedBar,
  loudness: readonly Loudness[],
): string {
  const { keyMap, tempoMap } = arrangement.played;
  const { quartersPerMinute } = lastAtOrBefore(tempoMap, tick);
  const { mark = '' } = loudness.find((stretch) => tick < stretch.toTick) ?? {};
  const key = keyName(lastAtOrBefore(keyMap, tick));
  return [metreName(metre), key, quartersPerMinute, mark].join();
}

/** What is told where it changes, sung, or fingered, and not struck. */
const APART = new Set([
  'barline',
  'attributes',
  'lyric',
  'technical',
  'metronome',
  'sound',
  'rehearsal',
  'dynamics',
]);

/** What of a measure is played, as text: two with the same are played alike. */
function asPlayed(measure: Element): string {
  return JSON.stringify({ ...played(measure), attributes: {} });
}

function played(element: Element): Element {
  const children = element.children
    .filter(({ name }) => !APART.has(name))
    .map(played)
    .filter((child) => !isEmptied(child) && !isToldOnce(child));
  const { id: _id, ...attributes } = element.attributes;
  return { ...element, attributes, children };
}

function isEmptied({ name, children }: Element): boolean {
  return (
    (name === 'direction' || name === 'direction-type' || name === 'notations') && !children.some(isSaid)
  );
}

function isSaid({ name }: Element): boolean {
  return name !== 'offset' && name !== 'staff';
}

/** The feel at the head of a song; a pedal that was down before. */
function isToldOnce(element: Element): boolean {
  const [what] = element.children[0]?.children ?? [];
  if (element.name !== 'direction' || !what) return false;
  const isFeel = what.name === 'words' && what.text === 'Swing';
  const isLift = what.name === 'pedal' && what.attributes['type'] === 'stop';
  return isFeel || (isLift && !element.children.some(({ name }) => name === 'offset'));
}

/** Everything sung in a measure. */
function sungIn(measure: Element): string {
  return measure.children
    .flatMap(({ children }) => children.filter(({ name }) => name === 'lyric'))
    .map((lyric) => JSON.stringify(lyric))
    .join('');
}

/** A measure with what the second time adds to it: its verse, and the numbers of its parts. */
function withSecondTime(first: Element, second: Element, hasVerses: boolean): Element {
  const verses = second.children.filter(({ name }) => name === 'note');
  const numbers = second.children.flatMap((child) => (rehearsalOf(child) ? [child] : []));
  let note = 0;
  let isNumbered = false;
  const children = first.children.map((child): Element => {
    const number = rehearsalOf(child);
    if (number !== null && numbers.length > 0 && !isNumbered) {
      isNumbered = true;
      const both = [number, ...numbers.map(rehearsalOf)].join(', ');
      return withRehearsal(child, both);
    }
    if (child.name !== 'note') return child;
    const sung = verses[note++].children.filter(({ name }) => name === 'lyric');
    if (!hasVerses || sung.length === 0) return child;
    const again = sung.map((lyric) => ({ ...lyric, attributes: { ...lyric.attributes, number: '2' } }));
    return { ...child, children: [...child.children, ...again] };
  });
  const isNew = numbers.length > 0 && !isNumbered;
  return { ...first, children: isNew ? [...numbers, ...children] : children };
}

/** The number of a part a direction is; null where it is none. */
function rehearsalOf({ name, children }: Element): string | null {
  const [what] = children[0]?.children ?? [];
  return name === 'direction' && what?.name === 'rehearsal' && what.attributes['enclosure'] === 'square'
    ? what.text
    : null;
}

function withRehearsal(direction: Element, text: string): Element {
  const [type, ...others] = direction.children;
  const [mark] = type.children;
  return { ...direction, children: [{ ...type, children: [{ ...mark, text }] }, ...others] };
}

function endingSign(number: 1 | 2, type: 'start' | 'stop' | 'discontinue'): Element {
  return el('ending', type === 'start' ? `${number}.` : '', { number: String(number), type });
}

function withBarlines(measure: Element, left: readonly Element[], right: readonly Element[]): Element {
  const isRight = ({ name }: Element): boolean => name === 'barline';
  const own = measure.children.find(isRight)?.children ?? [];
  const others = measure.children.filter((child) => !isRight(child));
  const style = right.some(({ name }) => name === 'bar-style')
    ? own.filter(({ name }) => name !== 'bar-style')
    : own;
  const ends = [...style, ...right];
  return {
    ...measure,
    children: [
      ...(left.length > 0 ? [el('barline', left.toReversed(), { location: 'left' })] : []),
      ...others,
      ...(ends.length > 0 ? [el('barline', ends, { location: 'right' })] : []),
    ],
  };
}
