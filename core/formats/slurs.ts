import type { Arrangement } from '../arrangement';
import type { VoiceEvent } from './voices';
import { el, type Element } from './xmlTree';
import type { WrittenNote } from './writtenVoice';

/** Onsets at which slurs begin and at which they end. */
export interface Slurs {
  readonly starts: ReadonlySet<number>;
  readonly stops: ReadonlySet<number>;
}

export const NO_SLURS: Slurs = { starts: new Set(), stops: new Set() };

/** A slur over each phrase that lies in a voice whole and has more than one note. */
export function slursOver(phrases: Arrangement['shape']['phrases'], voice: readonly VoiceEvent[]): Slurs {
  const [starts, stops] = [new Set<number>(), new Set<number>()];
  for (const { fromTick, toTick } of phrases) {
    const own = voice.filter(({ tick, length }) => length > 0 && tick >= fromTick && tick < toTick);
    if (own.length < 2) continue;
    starts.add(own[0].tick);
    stops.add(own[own.length - 1].tick);
  }
  return { starts, stops };
}

/** What stands of slurs at a note: one ends where its last note is let go, before another begins. */
export function slurAt(slurs: Slurs, { isStruck, isLetGo }: WrittenNote, { tick }: VoiceEvent): Element[] {
  const sign = (type: 'start' | 'stop'): Element => el('slur', [], { type, number: '1' });
  return [
    ...(isLetGo && slurs.stops.has(tick) ? [sign('stop')] : []),
    ...(isStruck && slurs.starts.has(tick) ? [sign('start')] : []),
  ];
}
