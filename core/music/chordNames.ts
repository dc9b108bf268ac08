import { Interval } from 'tonal';

/** Half steps of an interval. */
export function halfSteps(member: string): number {
  return Interval.semitones(member) as number;
}

/** Number of a member: 5 for "5d". */
export function memberNumber(member: string): number {
  return Number(/\d+/.exec(member)?.[0]);
}

/** How altered members are written after a chord, in the order of their numbers. */
const WRITTEN: Readonly<Record<string, string>> = {
  '5d': 'b5',
  '5A': '#5',
  '9m': 'b9',
  '9A': '#9',
  '11A': '#11',
  '13m': 'b13',
};
const SPOKEN: Readonly<Record<string, string>> = {
  b5: 'flat fifth',
  '#5': 'sharp fifth',
  b9: 'flat ninth',
  '#9': 'sharp ninth',
  '#11': 'sharp eleventh',
  b13: 'flat thirteenth',
  no3: 'no third',
  no5: 'no fifth',
  add6: 'added sixth',
  add9: 'added ninth',
  add11: 'added eleventh',
  add13: 'added thirteenth',
  sus2: 'suspended second',
  sus4: 'suspended fourth',
  sus24: 'suspended second and fourth',
};
/** Root, third, seventh, both ninths and the flat thirteenth: every tension altered. */
const ALTERED = '1P 3M 7m 9m 9A 13m';

/** What a chord is made of, in the order it is written. */
interface Said {
  /** "m", "maj9", "7", "dim7". */
  readonly base: string;
  readonly rest: readonly string[];
}

/** The suffix of a chord of these members, sorted by number; reading it gives the same members. `// => "7(#5,b9)"` */
export function suffixOf(members: readonly string[]): string {
  if (members.join(' ') === ALTERED) return '7alt';
  const { base, rest } = said(members);
  const [sus, others] = [rest.filter((r) => r.startsWith('sus')), rest.filter((r) => !r.startsWith('sus'))];
  return `${base}${sus.join('')}${others.length > 0 ? `(${others.join(',')})` : ''}`;
}

/** The same in words, after the root. `// => "seventh, sharp fifth, flat ninth"` */
export function wordsOf(members: readonly string[]): string {
  if (members.join(' ') === ALTERED) return 'seventh, every tension altered';
  const { base, rest } = said(members);
  return [baseInWords(base), ...rest.map((piece) => SPOKEN[piece] ?? piece)].join(', ');
}

function said(members: readonly string[]): Said {
  const has = (member: string): boolean => members.includes(member);
  const isDiminished = has('3m') && has('5d') && (has('7d') || !members.some((m) => memberNumber(m) === 7));
  const hasSeventh = members.some((member) => memberNumber(member) === 7);
  const hasNinth = members.some((member) => memberNumber(member) === 9);
  const size = !hasSeventh
    ? 0
    : has('13M') && hasNinth
      ? 13
      : has('11P') && hasNinth
        ? 11
        : has('9M')
          ? 9
          : 7;
  const sixth = !hasSeventh && has('6M') ? (has('9M') ? '6/9' : '6') : '';
  const base = isDiminished
    ? `dim${hasSeventh ? '7' : ''}`
    : baseOf(has('3m'), has('7M') ? 'major' : 'minor', size, sixth);
  const told = new Set<string>([
    ...(size >= 9 && !isDiminished ? ['9M'] : []),
    ...(size === 11 && !isDiminished ? ['11P'] : []),
    ...(size === 13 && !isDiminished ? ['13M'] : []),
    ...(sixth ? ['6M'] : []),
    ...(sixth === '6/9' ? ['9M'] : []),
  ]);
  return { base, rest: restOf(members, told, isDiminished) };
}

function baseOf(isMinor: boolean, seventh: 'major' | 'minor', size: number, sixth: string): string {
  if (size === 0) return `${isMinor ? 'm' : ''}${sixth}`;
  if (seventh === 'minor') return `${isMinor ? 'm' : ''}${size}`;
  return isMinor ? `m(maj${size})` : `maj${size}`;
}

function restOf(members: readonly string[], told: ReadonlySet<string>, isDiminished: boolean): string[] {
  const has = (member: string): boolean => members.includes(member);
  const hasThird = has('3M') || has('3m');
  const sus = `${has('2M') ? '2' : ''}${has('4P') ? '4' : ''}`;
  const hasFifth = members.some((member) => memberNumber(member) === 5);
  return [
    ...(sus ? [`sus${sus}`] : hasThird ? [] : ['no3']),
    ...(hasFifth ? [] : ['no5']),
    ...members.flatMap((member) => {
      if (told.has(member) || (isDiminished && member === '5d')) return [];
      if (WRITTEN[member]) return [WRITTEN[member]];
      return ['6M', '9M', '11P', '13M'].includes(member) ? [`add${memberNumber(member)}`] : [];
    }),
  ];
}

const SIZES: Readonly<Record<string, string>> = {
  7: 'seventh',
  9: 'ninth',
  11: 'eleventh',
  13: 'thirteenth',
};

function baseInWords(base: string): string {
  if (base === '') return 'major';
  if (base.startsWith('dim')) return base === 'dim' ? 'diminished' : 'diminished seventh';
  if (base.endsWith('6/9')) return `${base.startsWith('m') ? 'minor ' : ''}sixth with the ninth`;
  if (base.endsWith('6')) return `${base.startsWith('m') ? 'minor ' : ''}sixth`;
  const size = SIZES[/\d+/.exec(base)?.[0] ?? ''];
  if (base.startsWith('m(maj')) return `minor with the major ${size}`;
  if (base.startsWith('maj')) return `major ${size}`;
  return base.startsWith('m') ? `minor${size ? ` ${size}` : ''}` : size;
}
