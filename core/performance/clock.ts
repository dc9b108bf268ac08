import { TICKS_PER_QUARTER } from '../music';
import { lastAtOrBefore, type PlayedSong, type Song } from '../song';

/** Turns ticks into seconds by the tempo map, with the song's feel. */
export class Clock {
  private readonly starts: { tick: number; seconds: number; perTick: number }[] = [];

  constructor(
    tempoMap: PlayedSong['tempoMap'],
    private readonly feel: Song['feel'] = { kind: 'straight', ratio: 2 },
  ) {
    let seconds = 0;
    for (const [i, entry] of tempoMap.entries()) {
      const before = this.starts[i - 1];
      if (before) seconds += (entry.tick - before.tick) * before.perTick;
      this.starts.push({
        tick: entry.tick,
        seconds,
        perTick: 60 / (entry.quartersPerMinute * TICKS_PER_QUARTER),
      });
    }
  }

  /** Seconds from the start of the song at the song's own tempo. */
  secondsAt(tick: number): number {
    const swung = this.swung(tick);
    const entry = lastAtOrBefore(this.starts, swung);
    return entry.seconds + (swung - entry.tick) * entry.perTick;
  }

  /** The tick that sounds at a time, within `[0, endTick]`: the inverse of secondsAt, to a tick. */
  tickAt(seconds: number, endTick: number): number {
    let low = 0;
    let high = endTick;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (this.secondsAt(middle) <= seconds) low = middle;
      else high = middle;
    }
    return low;
  }

  /** Off-beat eighths come late: at ratio 2 two thirds through the beat. */
  private swung(tick: number): number {
    if (this.feel.kind === 'straight') return tick;
    const half = TICKS_PER_QUARTER / 2;
    const late = (TICKS_PER_QUARTER * this.feel.ratio) / (this.feel.ratio + 1);
    const within = tick % TICKS_PER_QUARTER;
    const moved =
      within <= half ? (within * late) / half : late + ((within - half) * (TICKS_PER_QUARTER - late)) / half;
    return tick - within + moved;
  }
}
