import { findKeys } from '../harmony';
import { fifthsOf, type Key, midiOf, spellInKey, TICKS_PER_QUARTER } from '../music';
import { cleared, type MelodyNote, type Song } from '../song';
import type { Grid } from './grid';
import { type PlayedKey, quantise, type Quantised, topLine, withoutBreaths } from './quantise';
import type { KeyEvent } from './simulatedPianist';

/** Keys as held from going down to going up; a key never let go ends with the take. */
export function keysOf(events: readonly KeyEvent[], quartersPerMinute: number): PlayedKey[] {
  const perSecond = quartersPerMinute / 60;
  const down = new Map<number, number>();
  const keys: PlayedKey[] = [];
  const last = events.reduce((end, event) => Math.max(end, event.seconds), 0);
  const letGo = (midi: number, seconds: number): void => {
    const since = down.get(midi);
    if (since === undefined) return;
    down.delete(midi);
    keys.push({ onset: since * perSecond, end: seconds * perSecond, midi });
  };
  for (const { seconds, midi, velocity } of [...events].sort((a, b) => a.seconds - b.seconds)) {
    letGo(midi, seconds);
    if (velocity > 0) down.set(midi, seconds);
  }
  for (const midi of [...down.keys()]) letGo(midi, last);
  return keys.sort((a, b) => a.onset - b.onset);
}

export interface Take {
  readonly quantised: Quantised;
  /** The line as melody notes from the click's first beat, ids "t1" and on. */
  readonly melody: readonly MelodyNote[];
}

/** A take against a click as melody notes: the top line of it, on its grid, spelled in the key. */
export function takeOf(
  events: readonly KeyEvent[],
  quartersPerMinute: number,
  key: Key,
  only: Grid | null = null,
): Take {
  const quantised = quantise(keysOf(events, quartersPerMinute), 60 / quartersPerMinute, only);
  const line = withoutBreaths(topLine(quantised.keys.map((k) => ({ ...k, tick: Math.max(0, k.tick) }))));
  return { quantised, melody: line.map((note, i) => melodyNote(`t${i + 1}`, note, key)) };
}

/** A melody note without words. Times in ticks. */
export function melodyNote(
  id: string,
  { tick, length, midi }: { readonly tick: number; readonly length: number; readonly midi: number },
  key: Key,
): MelodyNote {
  return {
    id,
    tick,
    length: Math.max(1, length),
    pitch: spellInKey(midi, key),
    tiedToNext: false,
    lyric: null,
    grace: false,
  };
}

/** Fewer notes do not tell a key. */
const TELLING_NOTES = 5;

/**
 * What keeping a take changes in a song: it stands in the place of what stood in its stretch. Where that is all the song has
 * and nobody chose its key, the notes tell it. Ticks.
 */
export function withTake(
  song: Song,
  take: Take,
  from: number,
  ticks: number,
): Pick<Song, 'melody' | 'feel' | 'keyMap'> {
  const first = 1 + Math.max(0, ...song.melody.map((n) => Number(n.id.replace(/\D/g, '')) || 0));
  const others = cleared(song.melody, from, from + ticks);
  const played = take.melody
    .filter((note) => note.tick < ticks)
    .map((note, i) => ({ ...note, id: `n${first + i}`, tick: from + note.tick }));
  const isAll = others.length + song.changes.length === 0 && played.length >= TELLING_NOTES;
  const key = isAll && isUsual(song.keyMap) ? findKeys({ melody: played, changes: [] })[0].key : null;
  const notes = key
    ? played.map((note) => ({ ...note, pitch: spellInKey(midiOf(note.pitch), key) }))
    : played;
  return {
    melody: [...others, ...notes].sort((a, b) => a.tick - b.tick),
    feel: take.quantised.grid === 'swing' ? { kind: 'swing', ratio: 2 } : song.feel,
    keyMap: key ? [{ tick: 0, ...key }] : song.keyMap,
  };
}

/** Whether a song has the key alone that every new one begins with. */
function isUsual(keyMap: Song['keyMap']): boolean {
  const [key, ...others] = keyMap;
  return others.length === 0 && key.mode === 'major' && fifthsOf(key) === 0;
}

/** Where two takes differ, in words: notes of one that the other does not have. */
export function compareTakes(a: Take, b: Take): string {
  const place = (n: MelodyNote): string => `${n.tick}:${n.pitch.letter}${n.pitch.alter}${n.pitch.octave}`;
  const [ours, theirs] = [new Set(a.melody.map(place)), new Set(b.melody.map(place))];
  const only = [...ours].filter((p) => !theirs.has(p));
  const missing = [...theirs].filter((p) => !ours.has(p));
  if (only.length + missing.length === 0) return 'the same notes at the same places';
  const first = [...only, ...missing].map((p) => Number(p.split(':')[0])).sort((x, y) => x - y)[0];
  return `${only.length} notes here that the other lacks, ${missing.length} the other way; first on beat ${1 + Math.floor(first / TICKS_PER_QUARTER)}`;
}
