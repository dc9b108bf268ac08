import type { HandNote } from '../hands';

/** Keys struck together with one length, lowest first. */
export interface VoiceEvent {
  readonly tick: number;
  readonly length: number;
  readonly notes: readonly HandNote[];
}

/**
 * Sorts the notes of a staff into voices without overlaps: notes of one onset and length form a chord; of what begins
 * together the highest is the upper voice, and what overlaps goes to the next. Grace notes (length 0) stay before their main note.
 */
export function voicesOf(notes: readonly HandNote[]): VoiceEvent[][] {
  const groups = new Map<string, HandNote[]>();
  for (const note of notes) {
    const id = note.grace ? `${note.tick}:grace:${note.from}` : `${note.tick}:${note.length}`;
    groups.set(id, [...(groups.get(id) ?? []), note]);
  }
  const events = [...groups.values()].map((group): VoiceEvent => ({
    tick: group[0].tick,
    length: group[0].length,
    notes: [...group].sort((a, b) => a.midi - b.midi),
  }));
  const top = ({ notes: struck }: VoiceEvent): number => struck[struck.length - 1].midi;
  const isGrace = ({ length }: VoiceEvent): boolean => length === 0;
  events.sort((a, b) => a.tick - b.tick || Number(isGrace(b)) - Number(isGrace(a)) || top(b) - top(a));
  const voices: VoiceEvent[][] = [];
  const ends: number[] = [];
  for (const event of events) {
    let voice = ends.findIndex((end) => end <= event.tick);
    if (voice < 0) voice = voices.push([]) - 1;
    voices[voice].push(event);
    ends[voice] = event.tick + event.length;
  }
  return voices;
}
