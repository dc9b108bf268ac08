import { beatsOfBar, lastAtOrBefore, type PlayedSong } from '../song';

/** Bars over which a song that slows comes to rest. */
const SLOWING_BARS = 2;
/** What is left of the tempo on the last beat. Source: usual measure of a closing ritardando. */
const SLOWEST = 0.7;

/**
 * A song whose last two bars slow down beat by beat. The steps are part of the tempo map, so that what is heard is what is
 * written into files.
 */
export function withSlowing(played: PlayedSong): PlayedSong {
  const last = played.bars.slice(-SLOWING_BARS).filter(({ number }) => number > 0);
  const beats = last.flatMap(beatsOfBar);
  if (beats.length < 2) return played;
  const steps = beats.slice(1).map((tick, i) => ({
    tick,
    quartersPerMinute: slowed(
      lastAtOrBefore(played.tempoMap, tick).quartersPerMinute,
      (i + 1) / (beats.length - 1),
    ),
    isSlowing: true as const,
  }));
  const before = played.tempoMap.filter(({ tick }) => tick < steps[0].tick);
  return { ...played, tempoMap: [...before, ...steps] };
}

/** A tempo after a share of the slowing, to a tenth. */
function slowed(tempo: number, share: number): number {
  return Math.max(10, Math.round(10 * tempo * (1 - (1 - SLOWEST) * share)) / 10);
}
