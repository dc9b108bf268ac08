import { staffStep } from '../music';
import { placeIn, type PlayedChange, type PlayedNote, type PlayedSong } from '../song';
import { type Role, roleOf } from './roles';

/** A melody note as it sounds under one change. */
export interface NoteUnder {
  readonly note: PlayedNote;
  readonly change: PlayedChange;
  readonly role: Role;
  /** Ticks for which the two sound together, from this one. */
  readonly tick: number;
  readonly ticks: number;
  /** Beats together, weighed by the stress of the place: what it counts. */
  readonly weight: number;
  /** Short and by step, a neighbour or a grace note: it may rub in passing. */
  readonly isPassing: boolean;
}

/** Half a beat off the strong beats is over before it is heard as a rub. */
const HEARD = 0.6;
/** A note counts this much more on a stressed beat. */
const STRESS: readonly number[] = [0.7, 0.8, 1, 1.2, 1.4];

/** Every melody note under every change it sounds with, in time. */
export function notesUnder({
  melody,
  changes,
  bars,
}: Pick<PlayedSong, 'melody' | 'changes' | 'bars'>): NoteUnder[] {
  const found: NoteUnder[] = [];
  let first = 0;
  const longest = melody.reduce((most, note) => Math.max(most, note.length), 0);
  for (const change of changes) {
    const { chord } = change;
    const end = change.tick + change.length;
    while (first < melody.length && melody[first].tick + longest < change.tick) first++;
    if (!chord) continue;
    for (let i = first; i < melody.length && melody[i].tick < end; i++) {
      const note = melody[i];
      const tick = Math.max(note.tick, change.tick);
      const ticks = Math.min(note.tick + note.length, end) - tick;
      // A grace note takes no time: it is heard with what begins by then, and with nothing later.
      if (ticks <= 0 && !(note.grace && note.tick >= change.tick)) continue;
      const { beatTicks, strength } = placeIn(bars, tick);
      const stress = STRESS[strength];
      found.push({
        note,
        change,
        role: roleOf(note.midi, chord),
        tick,
        ticks,
        weight: note.grace ? 0 : (ticks / beatTicks) * stress,
        isPassing: note.grace || isPassing(melody, i, ticks, beatTicks, stress),
      });
    }
  }
  return found;
}

/** Less than a beat, off the strong beats or very short, reached or left by step. */
function isPassing(
  melody: readonly PlayedNote[],
  index: number,
  ticks: number,
  beat: number,
  stress: number,
): boolean {
  if (ticks > beat || (ticks === beat && stress >= 1.2)) return false;
  const step = staffStep(melody[index].pitch);
  const near = (other: PlayedNote | undefined): boolean =>
    other !== undefined && Math.abs(staffStep(other.pitch) - step) <= 1;
  const [before, after] = [near(melody[index - 1]), near(melody[index + 1])];
  return ticks < beat ? before || after : before && after;
}

/** Rubs that are long or stressed enough to be heard: those that are not excused in passing. */
export function heardRubs(notes: readonly NoteUnder[]): NoteUnder[] {
  return notes.filter(({ role, isPassing, weight }) => role.kind === 'rub' && !isPassing && weight >= HEARD);
}
