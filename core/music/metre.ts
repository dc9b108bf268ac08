/** Integer time: 960 ticks to the quarter note. Seven- and nine-lets round each onset to the nearest tick. */
export const TICKS_PER_QUARTER = 960;
export const TICKS_PER_WHOLE = 4 * TICKS_PER_QUARTER;

export interface Metre {
  readonly numerator: number;
  /** 1, 2, 4, 8, 16 or 32. */
  readonly denominator: number;
  /** How its units are grouped, in order; absent: as is usual. They add up to the numerator. */
  readonly groups?: readonly number[];
}

/** 0 finer than a unit · 1 a unit inside a beat, or half a beat · 2 a beat · 3 the middle of the bar · 4 the downbeat. */
export type Strength = 0 | 1 | 2 | 3 | 4;

/** What the foot taps once. */
export interface Beat {
  /** Ticks from the bar line. */
  readonly at: number;
  readonly length: number;
  readonly strength: 2 | 3 | 4;
  /** Index of its group. */
  readonly group: number;
}

/** Where something stands in its bar. */
export interface Place {
  /** Ticks from the bar line of a whole bar. */
  readonly offset: number;
  /** Index of its beat. */
  readonly beat: number;
  /** Ticks after the beat: 0 on it. */
  readonly inBeat: number;
  /** Ticks this beat lasts. */
  readonly beatTicks: number;
  /** Ticks to the next smaller place: half of a simple beat, a unit of a beat of two or three units. */
  readonly stepTicks: number;
  readonly strength: Strength;
}

/** Ticks of one unit of the denominator: a quarter in 3/4, an eighth in 6/8. */
export function unitTicks(metre: Metre): number {
  return TICKS_PER_WHOLE / metre.denominator;
}

export function barTicks(metre: Metre): number {
  return metre.numerator * unitTicks(metre);
}

/** "3/4" */
export function metreName(metre: Metre): string {
  return `${metre.numerator}/${metre.denominator}`;
}

/** "7/8", and "7/8 (3+2+2)" where its groups are not the usual ones. */
export function metreInFull(metre: Metre): string {
  return hasUsualGroups(metre) ? metreName(metre) : `${metreName(metre)} (${groupsOf(metre).join('+')})`;
}

/** Whether two metres are the same to the groups. */
export function isSameMetre(a: Metre, b: Metre): boolean {
  return nameWithGroups(a) === nameWithGroups(b);
}

export function hasUsualGroups(metre: Metre): boolean {
  return groupsOf(metre).join() === usualGroups(metre).join();
}

/** Whether units can be grouped so in a metre: whole numbers of 1 to 4 that add up to the numerator. */
export function canBeGrouped({ numerator }: Metre, groups: readonly number[]): boolean {
  return (
    groups.every((size) => Number.isInteger(size) && size >= 1 && size <= 4) &&
    groups.reduce((sum, size) => sum + size, 0) === numerator
  );
}

/** `groupsOf(7/8) // [2, 2, 3]`. Groups that do not add up count as absent. */
export function groupsOf(metre: Metre): readonly number[] {
  return metre.groups && canBeGrouped(metre, metre.groups) ? metre.groups : usualGroups(metre);
}

/** Groups of metres whose units are not counted by threes, by twos or one by one. Source: common practice of notation. */
const USUAL: Readonly<Record<string, readonly number[]>> = {
  '4/4': [2, 2],
  '5/4': [3, 2],
  '7/4': [4, 3],
  '8/4': [4, 4],
  '4/8': [2, 2],
  '5/8': [3, 2],
  '7/8': [2, 2, 3],
  '8/8': [3, 3, 2],
};

function usualGroups(metre: Metre): readonly number[] {
  const { numerator, denominator } = metre;
  const known = USUAL[metreName(metre)];
  if (known) return known;
  if (isInThrees(metre)) return new Array<number>(numerator / 3).fill(3);
  if (numerator <= 3 || denominator < 4) return new Array<number>(numerator).fill(1);
  // Threes first and the rest in twos, so that no unit stands alone: 10 = 3 + 3 + 2 + 2, 11 = 3 + 3 + 3 + 2.
  const twos = numerator % 3 === 1 ? 2 : 1;
  const threes = (numerator - 2 * twos) / 3;
  return [...new Array<number>(threes).fill(3), ...new Array<number>(twos).fill(2)];
}

/** Counted by threes: 3/8, 6/8, 6/4, 9/8, 12/8. */
function isInThrees({ numerator, denominator }: Metre): boolean {
  return numerator % 3 === 0 && (denominator >= 8 || (denominator === 4 && numerator > 3));
}

/**
 * Whether the foot taps groups: in compound metres, and where eighths or shorter are grouped unevenly. In the others it
 * taps the unit, and the groups say which beats are strong.
 */
function tapsGroups(metre: Metre): boolean {
  const groups = groupsOf(metre);
  if (groups.every((size) => size === 3)) return true;
  return metre.denominator >= 8 && groups.some((size) => size !== groups[0]);
}

function nameWithGroups(metre: Metre): string {
  return `${metreName(metre)} ${groupsOf(metre).join('+')}`;
}

const known = new Map<string, readonly Beat[]>();

/**
 * The beats of a whole bar. `beatsOf(6/8)`: two of 1440 ticks, strengths 4 and 3. `beatsOf(5/4)`: five of 960, the fourth
 * of strength 3. Source: standard metrical hierarchy.
 */
export function beatsOf(metre: Metre): readonly Beat[] {
  const name = nameWithGroups(metre);
  let beats = known.get(name);
  if (!beats) known.set(name, (beats = makeBeats(metre)));
  return beats;
}

function makeBeats(metre: Metre): Beat[] {
  const unit = unitTicks(metre);
  const groups = groupsOf(metre);
  const sizes = tapsGroups(metre)
    ? groups.map((size, group) => ({ size, group }))
    : groups.flatMap((size, group) => Array.from({ length: size }, () => ({ size: 1, group })));
  const middle = middleTicks(metre);
  let at = 0;
  return sizes.map(({ size, group }) => {
    const beat: Beat = {
      at,
      length: size * unit,
      strength: at === 0 ? 4 : at === middle ? 3 : 2,
      group,
    };
    at += beat.length;
    return beat;
  });
}

/** Ticks from the bar line to the middle of a bar: its half where groups lie evenly about it, or the second of two groups; null where it has none. */
export function middleTicks(metre: Metre): number | null {
  const unit = unitTicks(metre);
  const groups = groupsOf(metre);
  if (groups.length === 2) return groups[0] * unit;
  const half = groups.slice(0, groups.length / 2).reduce((sum, size) => sum + size, 0);
  return groups.length % 2 === 0 && 2 * half === metre.numerator ? half * unit : null;
}

/**
 * Where ticks from the bar line of a whole bar lie; what lies beyond it, or before, is counted on in the same metre.
 * `placeAt(4/4, 2400) // beat 2, 480 in it, strength 1`
 */
export function placeAt(metre: Metre, ticks: number): Place {
  const whole = barTicks(metre);
  const offset = ((ticks % whole) + whole) % whole;
  const beats = beatsOf(metre);
  const beat = beats.findLastIndex(({ at }) => at <= offset);
  const { at, length, strength } = beats[beat];
  const inBeat = offset - at;
  const unit = unitTicks(metre);
  const stepTicks = length === unit ? length / 2 : unit;
  return {
    offset,
    beat,
    inBeat,
    beatTicks: length,
    stepTicks,
    strength: inBeat === 0 ? strength : inBeat % stepTicks === 0 ? 1 : 0,
  };
}

/** Ticks of a beat, as a measure of lengths; where beats differ, of the shorter one. */
export function beatTicks(metre: Metre): number {
  return Math.min(...beatsOf(metre).map(({ length }) => length));
}

/** The beats of bars that follow one another in a metre, between two ticks told from a bar line. */
export function beatsBetween(
  metre: Metre,
  from: number,
  to: number,
): { readonly at: number; readonly number: number }[] {
  const whole = barTicks(metre);
  const found: { at: number; number: number }[] = [];
  for (let bar = Math.floor(from / whole) * whole; bar < to; bar += whole)
    beatsOf(metre).forEach(({ at }, i) => {
      if (bar + at >= from && bar + at < to) found.push({ at: bar + at, number: i + 1 });
    });
  return found;
}

/** Ticks of a count-in: whole bars, two beats at the least. */
export function countInTicks(metre: Metre): number {
  return barTicks(metre) * (beatsOf(metre).length < 2 ? 2 : 1);
}

/** Ticks of what a tempo is told in: the beat where all are alike, else the unit. */
export function tempoTicks(metre: Metre): number {
  const [first, ...others] = beatsOf(metre);
  return others.every(({ length }) => length === first.length) ? first.length : unitTicks(metre);
}

/** Beats a minute as a tempo is told, at so many quarters a minute; to a hundredth. */
export function asBeatsPerMinute(metre: Metre, quartersPerMinute: number): number {
  return Math.round((100 * quartersPerMinute * TICKS_PER_QUARTER) / tempoTicks(metre)) / 100;
}

/** Quarters a minute at so many beats a minute as a tempo is told. */
export function asQuartersPerMinute(metre: Metre, beatsPerMinute: number): number {
  return (beatsPerMinute * tempoTicks(metre)) / TICKS_PER_QUARTER;
}

export const COMMON_TIME: Metre = { numerator: 4, denominator: 4 };

/** The metres one can choose from, with each way their groups may lie. */
export const METRES: readonly Metre[] = [
  { numerator: 4, denominator: 4 },
  { numerator: 3, denominator: 4 },
  { numerator: 2, denominator: 4 },
  { numerator: 6, denominator: 8 },
  { numerator: 9, denominator: 8 },
  { numerator: 12, denominator: 8 },
  { numerator: 3, denominator: 8 },
  { numerator: 2, denominator: 2 },
  { numerator: 5, denominator: 4 },
  { numerator: 5, denominator: 4, groups: [2, 3] },
  { numerator: 6, denominator: 4 },
  { numerator: 7, denominator: 4 },
  { numerator: 7, denominator: 4, groups: [3, 4] },
  { numerator: 5, denominator: 8 },
  { numerator: 5, denominator: 8, groups: [2, 3] },
  { numerator: 7, denominator: 8 },
  { numerator: 7, denominator: 8, groups: [3, 2, 2] },
  { numerator: 7, denominator: 8, groups: [2, 3, 2] },
  { numerator: 8, denominator: 8 },
];
