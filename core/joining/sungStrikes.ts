import { barTicks, beatsOf, placeAt } from '../music';
import type { SungFigure, SungMember } from '../patterns';
import { barsIn, type PlayedBar } from '../song';
import type { VoicedChange } from '../voicing';
import { companionOf } from './sungBass';

/** Keys the right hand strikes together. */
export interface SungStrike {
  readonly tick: number;
  readonly length: number;
  readonly keys: readonly number[];
}

/**
 * A figure of the right hand on one chord, counted from each bar line (a pick-up backwards from the first), so that it
 * goes on through a change; the chord is struck where it begins unless the figure leaves the beat free. A strike lasts
 * until the next at the longest.
 */
export function sungStrikes(
  voiced: VoicedChange,
  figure: SungFigure,
  bars: readonly PlayedBar[],
): SungStrike[] {
  const from = voiced.change.tick;
  const to = from + voiced.length;
  const found = barsIn(bars, from, to).flatMap((bar) => eventsIn(figure, bar, from, to));
  const [first] = figure.events;
  const isLate = first.onset === 0 && found[0]?.tick !== from;
  const all = isLate ? [{ tick: from, length: to - from, members: first.members }, ...found] : found;
  return all.map(({ tick, length, members }, i) => ({
    tick,
    length: Math.min(length, (all[i + 1]?.tick ?? to) - tick),
    keys: [...new Set(members.flatMap((member) => keysOf(voiced, member)))].sort((a, b) => a - b),
  }));
}

interface Event {
  readonly tick: number;
  readonly length: number;
  readonly members: readonly SungMember[];
}

function eventsIn(figure: SungFigure, bar: PlayedBar, from: number, to: number): Event[] {
  const beats = beatsOf(bar.metre);
  const line = bar.tick + bar.length - barTicks(bar.metre);
  const end = Math.min(to, bar.tick + bar.length);
  /** The tick so many beats after the bar line, a share of a beat on the next smaller place of the metre. */
  const tickOf = (count: number): number => {
    const beat = beats[Math.floor(count)];
    if (!beat) return bar.tick + bar.length;
    const step = placeAt(bar.metre, beat.at).stepTicks;
    return line + beat.at + Math.ceil(((count % 1) * beat.length) / step - 0.01) * step;
  };
  const found: Event[] = [];
  for (let at = 0; at < beats.length; at += figure.beats)
    for (const { onset, length, members } of figure.events) {
      const tick = tickOf(at + onset);
      if (tick >= Math.max(from, bar.tick) && tick < end)
        found.push({ tick, length: tickOf(at + onset + length) - tick, members });
    }
  return found;
}

function keysOf({ voicing: { keys }, chord, key }: VoicedChange, member: SungMember): readonly number[] {
  const last = keys.length - 1;
  switch (member) {
    case 'all':
      return keys;
    case 'lowest':
      return [keys[0]];
    case 'top':
      return [keys[last]];
    case 'middle':
      return [keys[Math.floor(last / 2)]];
    case 'others':
      return last > 0 ? keys.slice(1) : keys;
    case 'key-note':
      return [companionOf(chord, key)];
  }
}
