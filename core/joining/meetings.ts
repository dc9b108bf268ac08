import type { HandNote } from '../hands';
import { barAt, type PlayedNote, type PlayedSong } from '../song';
import type { VoicedChange } from '../voicing';
import { countAt } from './counts';

/** A tick at which both hands strike. */
export interface Meeting {
  readonly tick: number;
  readonly bar: number;
  readonly count: string;
  /** Keys (MIDI) of each hand, lowest first. */
  readonly right: readonly number[];
  readonly left: readonly number[];
  /** True where a chord changes, false where a pattern merely coincides. */
  readonly atChange: boolean;
}

/** How one change meets the melody. */
export interface ChangeMeeting {
  readonly how: 'struck' | 'held' | 'rest';
  /** The melody note struck with it or held over it. */
  readonly note: PlayedNote | null;
  /** The melody note struck after it, or null at the end. */
  readonly next: PlayedNote | null;
  readonly count: string;
  readonly bar: number;
  readonly syllable: string | null;
}

/** Every tick at which both hands strike; `changes` are those at which a chord changes. A grace note has its own earlier onset: the chord waits for the main note. */
export function meetingsOf(
  bars: PlayedSong['bars'],
  changes: ReadonlySet<number>,
  right: readonly HandNote[],
  left: readonly HandNote[],
): Meeting[] {
  const leftAt = byTick(left);
  return [...byTick(right.filter((note) => !note.grace))]
    .filter(([tick]) => leftAt.has(tick))
    .map(([tick, notes]) => {
      const bar = barAt(bars, tick);
      return {
        tick,
        bar: bar.number,
        count: countAt(bar, tick),
        right: notes.map((n) => n.midi),
        left: (leftAt.get(tick) as HandNote[]).map((n) => n.midi),
        atChange: changes.has(tick),
      };
    });
}

/** The note, count and syllable each change falls on: struck together, under a held note, or in a rest. */
export function meetingOf(played: PlayedSong, voiced: VoicedChange): ChangeMeeting {
  const { tick } = voiced.change;
  const bar = barAt(played.bars, tick);
  const note = noteAt(played.melody, tick);
  const how = !note ? 'rest' : note.tick === tick ? 'struck' : 'held';
  const syllable = note?.lyric?.text ?? played.words.find((word) => word.tick === tick)?.text ?? null;
  const next = nextAfter(played.melody, tick);
  return { how, note, next, count: countAt(bar, tick), bar: bar.number, syllable };
}

/** The first melody note struck after a tick, grace notes apart. */
function nextAfter(melody: readonly PlayedNote[], tick: number): PlayedNote | null {
  let low = 0;
  let high = melody.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (melody[middle].tick <= tick) low = middle + 1;
    else high = middle;
  }
  while (melody[low]?.grace) low++;
  return melody[low] ?? null;
}

/** The melody note sounding at a tick (the last struck, grace notes apart). */
function noteAt(melody: readonly PlayedNote[], tick: number): PlayedNote | null {
  let low = 0;
  let high = melody.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (melody[middle].tick <= tick) low = middle + 1;
    else high = middle;
  }
  for (let i = low - 1; i >= 0; i--) {
    if (melody[i].grace) continue;
    return melody[i].tick + melody[i].length > tick ? melody[i] : null;
  }
  return null;
}

function byTick(notes: readonly HandNote[]): Map<number, HandNote[]> {
  const map = new Map<number, HandNote[]>();
  for (const note of notes) {
    const at = map.get(note.tick);
    if (at) at.push(note);
    else map.set(note.tick, [note]);
  }
  return map;
}
