import type { HandNote } from '../hands';
import { KEYBOARDS } from '../music';
import { placeIn } from '../song';
import type { VoicedChange } from '../voicing';
import type { FillTask } from './task';

/** A note of the tune after which the right hand has nothing to do for a while, or which it holds. */
export interface Still {
  readonly note: HandNote;
  /** The notes of the tune up to it in the same phrase, itself last. */
  readonly before: readonly HandNote[];
  /** The next note of the tune; null where none follows. */
  readonly next: HandNote | null;
  /** Until when it sounds. */
  readonly heldTo: number;
  /** Where the tune goes on. */
  readonly end: number;
  /** Ticks of a beat there, and of the next smaller place in it. */
  readonly pulse: number;
  readonly step: number;
  /** From here on the right hand is free: after half a held note, or with a rest. */
  readonly free: number;
  readonly strength: number;
}

/** A note is held that lasts so many beats; a rest counts from one beat on. Source: common practice of filling in. */
const HELD_BEATS = 2;
const REST_BEATS = 1;

/** The places of a part in which the tune holds still, in time. */
export function stillsOf({ tune, after, bars, songEnd }: FillTask): Still[] {
  const line = tune.filter((note) => !note.grace);
  return line.flatMap((note, i): Still[] => {
    const next = line[i + 1] ?? after;
    const end = next?.tick ?? songEnd;
    const { beatTicks: pulse, stepTicks: step, strength } = placeIn(bars, note.tick);
    const heldTo = Math.min(note.tick + note.length, end);
    const isHeld = heldTo - note.tick >= HELD_BEATS * pulse;
    const rests = end - heldTo >= REST_BEATS * pulse;
    if (!isHeld && !rests) return [];
    const half = note.tick + pulse * Math.max(1, Math.ceil((heldTo - note.tick) / pulse / 2));
    return [
      {
        note,
        before: phraseUpTo(line, i, pulse),
        next,
        heldTo,
        end,
        pulse,
        step,
        free: isHeld ? Math.min(half, heldTo) : heldTo,
        strength,
      },
    ];
  });
}

/** The notes that lead without a rest up to one. */
function phraseUpTo(line: readonly HandNote[], at: number, pulse: number): HandNote[] {
  let from = at;
  while (from > 0 && line[from].tick - line[from - 1].tick - line[from - 1].length < pulse / 2) from--;
  return line.slice(from, at + 1);
}

/** The chord that sounds at a tick; null where none of the part does. */
export function chordAt({ voiced }: FillTask, tick: number): VoicedChange | null {
  return voiced.findLast(({ change, length }) => change.tick <= tick && change.tick + length > tick) ?? null;
}

/** The chord after one. */
export function chordAfter({ voiced }: FillTask, from: VoicedChange): VoicedChange | null {
  return voiced[voiced.indexOf(from) + 1] ?? null;
}

/** The id of a kind at a place, told from the onset of the change that sounds there: "echo@1920:c4". */
export function placeId(kind: string, from: VoicedChange, tick: number): string {
  const after = tick - from.change.tick;
  return `${kind}@${after}:${from.change.id}`;
}

/** The change an id names and the ticks from its onset; 0 where it names none, as those of the left hand. */
export function placeOfId(id: string): { readonly change: string; readonly after: number } {
  const [kind, change] = [id.slice(0, id.indexOf(':')), id.slice(id.indexOf(':') + 1)];
  return { change, after: Number(/@(\d+)$/.exec(kind)?.[1] ?? 0) };
}

/** Half steps above the left hand from which its keys are free. */
const FREE_OF_LEFT = 3;

/** Whether keys of the right hand are on the keyboard and clear of the left hand while they sound. */
export function isClear(task: FillTask, from: number, to: number, keys: readonly number[]): boolean {
  const { low, high } = KEYBOARDS[task.profile.keyboard];
  const lowest = Math.min(...keys);
  if (lowest < low || Math.max(...keys) > high) return false;
  return task.left.every(
    (note) => note.tick >= to || note.tick + note.length <= from || note.midi + FREE_OF_LEFT <= lowest,
  );
}
