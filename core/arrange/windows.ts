import type { FixedFingers } from '../fingering';
import type { HandNote } from '../hands';
import type { PartTask } from '../joining';
import { indexAt, type PlayedSong } from '../song';

/** The notes that sound in a stretch, and the first after it, from a melody in time. */
export function windowOf(melody: readonly HandNote[], from: number, to: number, longest: number): HandNote[] {
  const found: HandNote[] = [];
  if (melody.length === 0) return found;
  let at = indexAt(melody, from - longest);
  while (at > 0 && melody[at - 1].tick === melody[at].tick) at--;
  for (; at < melody.length; at++) {
    const note = melody[at];
    if (note.tick + note.length > from || note.tick >= from) found.push(note);
    if (note.tick >= to) break;
  }
  return found;
}

/** The syllables sung, in time, whether their melody is written down or not. */
export function sungWords({ melody, words }: PlayedSong): PartTask['words'] {
  const sung = melody.flatMap(({ tick, lyric }) => (lyric ? [{ tick, ...lyric }] : []));
  if (words.length === 0) return sung;
  const taken = new Set(sung.map(({ tick }) => tick));
  return [...sung, ...words.filter((word) => !taken.has(word.tick))].sort((a, b) => a.tick - b.tick);
}

/** Keys struck at each tick, lowest first (the notes come in time, from the lowest up). */
export function keysByTick(notes: readonly HandNote[]): Map<number, number[]> {
  const keys = new Map<number, number[]>();
  for (const note of notes) {
    const at = keys.get(note.tick);
    if (at) at.push(note.midi);
    else keys.set(note.tick, [note.midi]);
  }
  return keys;
}

/** The notes that sound somewhere in a stretch. */
export function lasting(notes: readonly HandNote[], from: number, to: number): HandNote[] {
  return notes.filter((note) => note.tick < to && note.tick + note.length > from);
}

/** Fingers fixed for keys struck together, asked once, and a name for all of them. */
export function fixedIn(
  notes: readonly HandNote[],
  fixed: FixedFingers,
): { readonly fixed: FixedFingers; readonly name: string } {
  const names: string[] = [];
  const asked = new Map<HandNote, ReturnType<FixedFingers>>();
  for (let i = 0; i < notes.length;) {
    let end = i + 1;
    const goesOn = (): boolean => notes[end]?.tick === notes[i].tick && !notes[end].grace;
    if (!notes[i].grace) while (goesOn()) end++;
    const fingers = fixed(notes.slice(i, end));
    if (fingers) names.push(`${i}:${fingers.join()}`);
    asked.set(notes[i], fingers);
    i = end;
  }
  return { fixed: ([first]) => asked.get(first) ?? null, name: names.join(' ') };
}
