import type { HandNote } from '../hands';
import { onsetsOf, type PlayedSong, type Song } from '../song';
import type { FixedFingers } from './hands';

/**
 * Fingers the pianist pinned on a chord, and those of settled parts, which are kept as learned. A chord whose `twins`
 * entry has pinned fingers takes them over.
 */
export function fixedFingers(
  song: Pick<Song, 'pins' | 'settled'>,
  played: PlayedSong,
  twins: ReadonlyMap<string, string>,
): FixedFingers {
  const pins = [...song.pins, ...song.settled.flatMap((s) => s.voicings)];
  const pinned = new Map(pins.flatMap((pin) => (pin.fingers ? [[pin.changeId, pin.fingers] as const] : [])));
  const learned = new Map(
    song.settled.flatMap((s) => s.fingers.map((f) => [nameOf(f.from, f.after, f.midi), f.finger] as const)),
  );
  if (pinned.size + learned.size === 0) return () => null;
  const onset = onsetsOf(played);
  return (group) => {
    const known = group.map((n) => learned.get(nameOf(n.from, n.tick - (onset.get(n.from) ?? 0), n.midi)));
    if (known.every((finger) => finger !== undefined)) return known;
    const [{ from, source }] = group;
    const fingers = pinned.get(from) ?? pinned.get(twins.get(from) ?? '');
    return source === 'chord' && fingers?.length === group.length ? fingers : null;
  };
}

/** The fingers of some notes as a settled part stores them. */
export function learnedFingers(
  notes: readonly HandNote[],
  played: PlayedSong,
): Song['settled'][number]['fingers'] {
  const onset = onsetsOf(played);
  return notes.flatMap(({ from, tick, midi, finger }) => {
    const start = onset.get(from);
    return finger === null || start === undefined ? [] : [{ from, after: tick - start, midi, finger }];
  });
}

function nameOf(from: string, after: number, midi: number): string {
  return `${from}|${after}|${midi}`;
}
