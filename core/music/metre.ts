/** Integer time: 960 ticks to the quarter note. Seven- and nine-lets round each onset to the nearest tick. */
export const TICKS_PER_QUARTER = 960;
export const TICKS_PER_WHOLE = 4 * TICKS_PER_QUARTER;

export interface Metre {
  readonly numerator: number;
  /** 1, 2, 4, 8, 16 or 32. */
  readonly denominator: number;
}

/** Ticks of one unit of the denominator: a quarter in 3/4, an eighth in 6/8. */
export function beatTicks(metre: Metre): number {
  return TICKS_PER_WHOLE / metre.denominator;
}

export function barTicks(metre: Metre): number {
  return metre.numerator * beatTicks(metre);
}

/** 6/8, 9/8, 12/8 and the like: beats in groups of three. */
export function isCompound(metre: Metre): boolean {
  return metre.denominator >= 8 && metre.numerator > 3 && metre.numerator % 3 === 0;
}

/** Ticks of the beat one taps a foot to: the dotted beat in compound metres. */
export function pulseTicks(metre: Metre): number {
  return beatTicks(metre) * (isCompound(metre) ? 3 : 1);
}

/** Half of the beat in simple metres, a third of it in compound ones: the next place a chord could be struck. */
export function halfBeatTicks(metre: Metre): number {
  return pulseTicks(metre) / (isCompound(metre) ? 3 : 2);
}

/**
 * How strong a place in the bar is: 4 the downbeat, 3 the half bar of an even metre, 2 another pulse,
 * 1 a half beat, 0 anything else (standard metrical hierarchy).
 */
export function metricStrength(offset: number, metre: Metre): number {
  if (offset === 0) return 4;
  const pulse = pulseTicks(metre);
  if (offset % pulse === 0) {
    const pulses = barTicks(metre) / pulse;
    return pulses % 2 === 0 && offset * 2 === barTicks(metre) ? 3 : 2;
  }
  if (offset % beatTicks(metre) === 0) return 1;
  return offset % (beatTicks(metre) / 2) === 0 ? 1 : 0;
}

/** "3/4" */
export function metreName(metre: Metre): string {
  return `${metre.numerator}/${metre.denominator}`;
}
