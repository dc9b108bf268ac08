import type { BarSigns } from './repeats';
import { child, childrenOf, type Element } from './xmlTree';

/** Repeat signs, endings, segno, coda and jumps of one bar; `open` are the passes of an ending begun before it. */
export function signsOf(measure: Element, open: readonly number[] | undefined): Omit<BarSigns, 'number'> {
  const signs: { -readonly [K in keyof BarSigns]?: BarSigns[K] } = open
    ? { endings: open, endingStaysOpen: true }
    : {};
  for (const barline of childrenOf(measure, 'barline')) {
    const repeat = child(barline, 'repeat');
    if (repeat?.attributes['direction'] === 'forward') signs.repeatStarts = true;
    if (repeat?.attributes['direction'] === 'backward')
      signs.repeatEnds = timesOf(repeat.attributes['times']);
    const ending = child(barline, 'ending');
    if (ending?.attributes['type'] === 'start') {
      signs.endings = passesOf(ending.attributes['number']);
      signs.endingStaysOpen = true;
    } else if (ending) signs.endingStaysOpen = false;
  }
  for (const sound of soundsOf(measure)) {
    if (sound['segno']) signs.segno = true;
    if (sound['coda']) signs.coda = true;
    if (sound['tocoda']) signs.toCoda = true;
    if (sound['fine']) signs.fine = true;
    if (sound['dacapo'] === 'yes') signs.daCapo = true;
    if (sound['dalsegno']) signs.dalSegno = true;
  }
  return signs;
}

/** What the bar's sound elements and the printed signs say; a printed segno or coda marks its bar. */
function soundsOf(measure: Element): Record<string, string>[] {
  const directions = childrenOf(measure, 'direction');
  const types = directions.flatMap((d) => childrenOf(d, 'direction-type'));
  return [
    ...childrenOf(measure, 'sound').map((s) => s.attributes),
    ...directions.flatMap((d) => childrenOf(d, 'sound').map((s) => s.attributes)),
    ...types.filter((t) => child(t, 'segno')).map(() => ({ segno: 'segno' })),
    ...types.filter((t) => child(t, 'coda') && !directions.some(leavesForCoda)).map(() => ({ coda: 'coda' })),
  ];
}

function leavesForCoda(direction: Element): boolean {
  return childrenOf(direction, 'sound').some((s) => s.attributes['tocoda']);
}

function timesOf(times: string | undefined): number {
  const number = Number(times ?? 2);
  return Number.isInteger(number) && number >= 2 && number <= 20 ? number : 2;
}

/** "1, 2" as [1, 2]; what cannot be read is the first pass. */
function passesOf(text: string | undefined): number[] {
  const passes = (text ?? '1').split(/[\s,.]+/).map(Number);
  const known = passes.filter((n) => Number.isInteger(n) && n >= 1 && n <= 20);
  return known.length > 0 ? known : [1];
}
