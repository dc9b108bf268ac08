import { beatsOf, groupsOf, type Metre, placeAt, TICKS_PER_QUARTER, unitTicks } from '../music';
import type { NoteValue } from './noteValues';

/** Beams of each note value that is flagged. */
const FLAGS: Readonly<Record<string, number>> = { eighth: 1, '16th': 2, '32nd': 3, '64th': 4 };

/** A note or rest as it is written, in ticks from the bar line of a whole bar. */
export interface Written {
  readonly offset: number;
  readonly value: NoteValue;
  readonly isRest: boolean;
}

/** What one level of beams does at a note, as MusicXML names it. */
// eslint-disable-next-line no-restricted-syntax -- values of the format
export type Beam = 'begin' | 'continue' | 'end' | 'forward hook' | 'backward hook';

/**
 * The beams of each of some notes of one voice in one bar, level by level: notes shorter than a quarter are joined inside
 * a beat, eighths in 4/4 inside a half bar, and inside a group where eighths are grouped; a rest or a longer note parts
 * them. Source: common practice of engraving.
 */
export function beamsOf(line: readonly Written[], metre: Metre): readonly (readonly Beam[])[] {
  const beams: Beam[][] = line.map(() => []);
  const flags = line.map(({ value, isRest }) => (isRest ? 0 : (FLAGS[value.type ?? ''] ?? 0)));
  const stretches = stretchesOf(line, flags, metre);
  const joins = (level: number, i: number, j: number): boolean =>
    flags[i] >= level && (flags[j] ?? 0) >= level && stretches[i] === stretches[j];
  for (let i = 0; i < line.length; i++) {
    if (!joins(1, i, i - 1) && !joins(1, i, i + 1)) continue;
    for (let level = 1; level <= flags[i]; level++) {
      const [before, after] = [joins(level, i, i - 1), joins(level, i, i + 1)];
      beams[i].push(
        before && after
          ? 'continue'
          : after
            ? 'begin'
            : before
              ? 'end'
              : joins(1, i, i + 1)
                ? 'forward hook'
                : 'backward hook',
      );
    }
  }
  return beams;
}

/** Where the stretch each note may be beamed in begins: a wide one of eighths alone, else a narrow one. */
function stretchesOf(line: readonly Written[], flags: readonly number[], metre: Metre): number[] {
  const wide = wideStarts(metre);
  const startOf = ({ offset }: Written): number => wide.findLast((start) => start <= offset) ?? 0;
  const isFine = ({ value }: Written, i: number): boolean =>
    flags[i] > 1 || (flags[i] === 1 && value.triplet);
  const split = new Set(line.filter(isFine).map(startOf));
  return line.map((note) => {
    const start = startOf(note);
    if (!split.has(start) || metre.denominator >= 8) return start;
    const { inBeat } = placeAt(metre, note.offset);
    return note.offset - (inBeat % TICKS_PER_QUARTER);
  });
}

/** Half bars in 4/4, groups where the unit is an eighth or shorter, else beats. */
function wideStarts(metre: Metre): readonly number[] {
  const isCommon = metre.denominator === 4 && metre.numerator === 4;
  if (!isCommon && metre.denominator < 8) return beatsOf(metre).map(({ at }) => at);
  let at = 0;
  return groupsOf(metre).map((size) => (at += size * unitTicks(metre)) - size * unitTicks(metre));
}
