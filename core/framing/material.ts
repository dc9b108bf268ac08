import type { Arrangement } from '../arrangement';
import { type Key, midiOf, pitchAt, spellInKey } from '../music';
import { barAt, type FrameKind, type FramePiece, keyAt, type PlayedBar } from '../song';

/** Notes and chords of a stretch, ticks from its first bar line. */
export type Material = Pick<FramePiece, 'melody' | 'changes'>;

/** The full bars of the played song that are its own, and do not frame it. */
export function ownBars({ played }: Arrangement): PlayedBar[] {
  const frames = played.sections.flatMap(({ tick, frame }) =>
    frame ? [[tick, tick + frame.ticks] as const] : [],
  );
  return played.bars.filter(
    ({ number, tick }) => number > 0 && !frames.some(([from, to]) => tick >= from && tick < to),
  );
}

/** Whether a stretch of a kind frames the song already. */
export function hasPiece({ song }: Arrangement, kind: FrameKind): boolean {
  return song.sections.some(({ frame }) => frame?.kind === kind);
}

/** The chords of bars; one that began before them sounds from the first bar line on. */
export function chordsOf({ changes }: Arrangement, bars: readonly PlayedBar[]): Material['changes'] {
  const [from, to] = edges(bars);
  return changes.flatMap(({ change }) => {
    const start = Math.max(from, change.tick);
    const end = Math.min(to, change.tick + change.length);
    return end > start ? [{ tick: start - from, length: end - start, symbol: change.symbol }] : [];
  });
}

/** The tune of bars; what rings on past them is cut short. */
export function tuneOf({ played }: Arrangement, bars: readonly PlayedBar[]): Material['melody'] {
  const [from, to] = edges(bars);
  return played.melody.flatMap(({ tick, length, pitch, grace }) =>
    grace || tick < from || tick >= to
      ? []
      : [{ tick: tick - from, length: Math.min(length, to - tick), pitch }],
  );
}

/** Where bars begin and end. */
export function edges(bars: readonly PlayedBar[]): readonly [number, number] {
  const last = bars[bars.length - 1];
  return [bars[0]?.tick ?? 0, last ? last.tick + last.length : 0];
}

/** A tune an octave or more higher, spelled alike. */
export function raised(melody: Material['melody'], octaves: number): Material['melody'] {
  return melody.map((note) => ({ ...note, pitch: { ...note.pitch, octave: note.pitch.octave + octaves } }));
}

/** The key's own tonic near a key, as a pitch. */
export function tonicNear(key: Key, midi: number): FramePiece['melody'][number]['pitch'] {
  const tonic = pitchAt(60, key.tonic);
  const base = midiOf(tonic) % 12;
  const below = midi - ((midi - base + 12) % 12);
  const near = midi - below <= 6 ? below : below + 12;
  return pitchAt(near, spellInKey(near, key));
}

/** The key in which the song begins, or ends. */
export function keyOf({ played }: Arrangement, where: 'beginning' | 'end'): Key {
  return keyAt(played, where === 'beginning' ? 0 : Math.max(0, played.endTick - 1));
}

/** Ticks of a full bar where the song begins, or ends. */
export function barLength({ played }: Arrangement, where: 'beginning' | 'end'): number {
  const bars = played.bars.filter(({ number }) => number > 0);
  return (where === 'beginning' ? bars[0] : barAt(bars, played.endTick - 1)).length;
}

/** What of a tune is over by a tick. */
export function upTo(melody: Material['melody'], end: number): Material['melody'] {
  return melody.flatMap((note) =>
    note.tick >= end ? [] : [{ ...note, length: Math.min(note.length, end - note.tick) }],
  );
}
