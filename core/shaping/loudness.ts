import { barAt, type PlayedSong, type Section } from '../song';
import type { ShapedPhrase } from './shape';

/** How loud a stretch is, from its beginning to its end, in steps of velocity from a middling loudness. */
export interface Loudness {
  readonly tick: number;
  readonly toTick: number;
  readonly from: number;
  readonly to: number;
  /** "p" … "ff" where it begins. */
  readonly mark: (typeof MARKS)[number];
}

const MARKS = ['p', 'mp', 'mf', 'f', 'ff'] as const;
/** Steps of velocity from one mark to the next. Source: common practice of playing back. */
const STEP = 5;
const MIDDLE = 3;
/** Steps from the softest to the loudest point of a section that grows or falls. */
const SWELL = 24;
/** Steps from no intensity to the climax. */
const RANGE = 28;
/** A phrase grows or falls into the next over so many bars. */
const HAIRPIN = 2;
/** A hairpin is written for a difference of so many steps. */
const AUDIBLE = 4;

/** The loudness of a song by its sections: their energy, and where one grows or falls. */
export function loudnessOfSections({
  sections,
  endTick,
}: Pick<PlayedSong, 'sections' | 'endTick'>): Loudness[] {
  return sections.map(({ tick, energy, dynamics }: Section, i): Loudness => {
    const own = STEP * (energy - MIDDLE);
    const half = dynamics === 'even' ? 0 : SWELL / 2;
    const up = dynamics === 'growing' ? 1 : -1;
    const toTick = sections[i + 1]?.tick ?? endTick;
    return { tick, toTick, from: own - up * half, to: own + up * half, mark: MARKS[energy - 1] };
  });
}

/** The loudness of a song by its phrases: as strong as each is, growing or falling over its last two bars into the next. */
export function loudnessOfPhrases(
  phrases: readonly ShapedPhrase[],
  { bars }: Pick<PlayedSong, 'bars'>,
): Loudness[] {
  return phrases.flatMap(({ fromTick, toTick, intensity }, i): Loudness[] => {
    const steps = stepsOf(intensity);
    const next = phrases[i + 1] ? stepsOf(phrases[i + 1].intensity) : steps;
    const level = { tick: fromTick, toTick, from: steps, to: steps, mark: markOf(intensity) };
    if (Math.abs(next - steps) < AUDIBLE) return [level];
    const { length } = barAt(bars, toTick - 1);
    const turns = Math.max(fromTick, toTick - HAIRPIN * length);
    const hairpin = { ...level, tick: turns, to: next };
    return turns > fromTick ? [{ ...level, toTick: turns }, hairpin] : [hairpin];
  });
}

function stepsOf(intensity: number): number {
  return Math.round((intensity - 0.5) * RANGE);
}

function markOf(intensity: number): Loudness['mark'] {
  return MARKS[Math.max(0, Math.min(MARKS.length - 1, Math.round(intensity * 5) - 1))];
}

/** How loud it is at a tick, in steps; 0 where nothing is said. */
export function loudnessAt(stretches: readonly Loudness[], tick: number): number {
  const here = stretches.findLast((stretch) => stretch.tick <= tick);
  if (!here) return 0;
  const share = Math.min(1, (tick - here.tick) / Math.max(1, here.toTick - here.tick));
  return Math.round(here.from + share * (here.to - here.from));
}

/** The sections' loudness where blocks are played, the phrases' where the hands move: `moves` tells which, by tick. */
export function loudnessOf(
  played: Pick<PlayedSong, 'sections' | 'endTick' | 'bars'>,
  phrases: readonly ShapedPhrase[],
  moves: (tick: number) => boolean,
): Loudness[] {
  const still = loudnessOfSections(played).filter(({ tick }) => !moves(tick));
  const moving = loudnessOfPhrases(phrases, played).filter(({ tick }) => moves(tick));
  return [...still, ...moving].sort((a, b) => a.tick - b.tick);
}
