import type { PlayedSong } from '../song';

/** So many whole bars without melody are a part of their own. */
const FEWEST_BARS = 2;

/** Where the melody is silent for two bars or more: an introduction, an interlude, an ending. */
export interface Interlude {
  readonly fromTick: number;
  /** Where the tune enters again, with its pick-up; the end of the song where it does not. */
  readonly toTick: number;
  readonly name: 'Introduction' | 'Interlude' | 'Ending';
}

/** The stretches of whole bars in which no melody sounds, in a song that has one. */
export function interludesOf({ melody, bars, endTick }: PlayedSong): Interlude[] {
  if (melody.length === 0) return [];
  const found: Interlude[] = [];
  let silent: typeof bars = [];
  let [at, soundsUntil] = [0, 0];
  const close = (until: number): void => {
    const whole = silent.filter(({ number }) => number >= 1);
    if (whole.length >= FEWEST_BARS) {
      const [{ tick }] = silent;
      const isLast = until >= endTick;
      const name = tick === 0 ? 'Introduction' : isLast ? 'Ending' : 'Interlude';
      found.push({ fromTick: tick, toTick: isLast ? endTick : entryAt(until), name });
    }
    silent = [];
  };
  /** A note late in the bar is a pick-up, with which the next part begins; else that begins with the bar. */
  const entryAt = (tick: number): number => {
    const bar = bars.find((own) => own.tick >= tick);
    const next = melody[at]?.tick ?? tick;
    return bar && next - tick > bar.length / 2 ? next : tick;
  };
  for (const bar of bars) {
    while (at < melody.length && melody[at].tick < bar.tick) {
      soundsUntil = Math.max(soundsUntil, melody[at].tick + melody[at].length);
      at++;
    }
    const sounds = soundsUntil > bar.tick || (melody[at]?.tick ?? Infinity) < bar.tick + bar.length;
    if (sounds) close(bar.tick);
    else silent = [...silent, bar];
  }
  close(endTick);
  return found;
}
