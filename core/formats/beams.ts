import { pulseTicks } from '../music';
import type { PlayedBar } from '../song';
import type { NoteValue } from './noteValues';

/** Beams of each note value that is flagged. */
const FLAGS: Readonly<Record<string, number>> = { eighth: 1, '16th': 2, '32nd': 3, '64th': 4 };

/** A note or rest as it is written, in ticks from the song's beginning. */
export interface Written {
  readonly tick: number;
  readonly value: NoteValue;
  readonly isRest: boolean;
}

/** What one level of beams does at a note. */
export type Beam = 'begin' | 'continue' | 'end' | 'forward hook' | 'backward hook';

/**
 * The beams of each of some notes of one voice in one bar, level by level: notes shorter than a quarter inside one beat
 * are joined, a rest or a longer note parts them. Source: common practice of engraving.
 */
export function beamsOf(line: readonly Written[], bar: PlayedBar): readonly (readonly Beam[])[] {
  const pulse = pulseTicks(bar.metre);
  const beams: Beam[][] = line.map(() => []);
  const flags = line.map(({ value, isRest }) => (isRest ? 0 : (FLAGS[value.type ?? ''] ?? 0)));
  const beat = line.map(({ tick }) => Math.floor((tick - bar.tick) / pulse));
  const joins = (level: number, i: number, j: number): boolean =>
    flags[i] >= level && (flags[j] ?? 0) >= level && beat[i] === beat[j];
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
