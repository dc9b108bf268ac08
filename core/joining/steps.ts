import type { Hand, HandNote } from '../hands';
import { gotOrMade } from '../memory';
import { barAt, type PlayedSong, within } from '../song';
import { countAt } from './counts';

/** One moment of a part at which something is struck, with all that is struck there. */
export interface Step {
  readonly tick: number;
  readonly bar: number;
  readonly count: string;
  /** Lowest first. */
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  /** What leads in just before, in time. */
  readonly graces: readonly HandNote[];
  /** Keys that are held on: those of the right hand, and of the left where it strikes others. Lowest first. */
  readonly held: readonly HandNote[];
}

/** The strikes of a part one after the other, of both hands or of one; grace notes belong to the note they lead to. */
export function stepsIn(
  {
    right,
    left,
    played,
  }: { readonly right: readonly HandNote[]; readonly left: readonly HandNote[]; readonly played: PlayedSong },
  { fromTick, toTick }: { readonly fromTick: number; readonly toTick: number },
  hands: Hand | 'both' = 'both',
): Step[] {
  const at = new Map<number, Record<Hand | 'graces', HandNote[]>>();
  const isAsked = (hand: Hand): boolean => hands === 'both' || hands === hand;
  const hear = (hand: Hand, notes: readonly HandNote[]): void => {
    if (!isAsked(hand)) return;
    for (const note of within(notes, fromTick, toTick)) {
      const there = gotOrMade(at, note.tick, () => ({ right: [], left: [], graces: [] }));
      there[note.grace ? 'graces' : hand].push(note);
    }
  };
  hear('right', right);
  hear('left', left);
  const low = (a: HandNote, b: HandNote): number => a.midi - b.midi;
  const sounding = (hand: Hand, notes: readonly HandNote[]): readonly HandNote[] =>
    isAsked(hand)
      ? notes.filter(({ grace, tick, length }) => !grace && tick < toTick && tick + length > fromTick)
      : [];
  const inPart = { right: sounding('right', right), left: sounding('left', left) };
  const heldAt = (tick: number, hand: Hand): HandNote[] =>
    inPart[hand].filter((note) => note.tick < tick && note.tick + note.length > tick);
  return [...at.entries()]
    .filter(([, struck]) => struck.right.length + struck.left.length > 0)
    .sort(([a], [b]) => a - b)
    .map(([tick, struck]) => {
      const bar = barAt(played.bars, tick);
      const struckHere = new Set([...struck.right, ...struck.left].map(({ midi }) => midi));
      const held = [...(struck.left.length > 0 ? heldAt(tick, 'left') : []), ...heldAt(tick, 'right')].filter(
        ({ midi }) => !struckHere.has(midi),
      );
      return {
        tick,
        bar: bar.number,
        count: countAt(bar, tick),
        right: struck.right.sort(low),
        left: struck.left.sort(low),
        graces: struck.graces,
        held: held.sort(low),
      };
    });
}

/** The keys of a step (MIDI), each once, from the lowest. */
export function keysOfStep({ right, left }: Pick<Step, 'right' | 'left'>): number[] {
  return [...new Set([...left, ...right].map(({ midi }) => midi))].sort((a, b) => a - b);
}

/** What has been pressed since a step came: what of it is still wanted, and what does not belong to it. */
export interface Pressed {
  readonly missing: readonly number[];
  /** Keys that are not in the step, in the order they were pressed. */
  readonly wrong: readonly number[];
  /** Of the wrong ones those that are a wanted key in another octave. */
  readonly octaveAway: readonly number[];
  readonly isDone: boolean;
}

/** Judges the keys (MIDI) pressed for a step; the order does not matter, and a slip does not undo what was right. */
export function judgePressed(step: Pick<Step, 'right' | 'left'>, pressed: readonly number[]): Pressed {
  const wanted = keysOfStep(step);
  const missing = wanted.filter((key) => !pressed.includes(key));
  const wrong = pressed.filter((key) => !wanted.includes(key));
  const octaveAway = wrong.filter((key) => missing.some((other) => other % 12 === key % 12));
  return { missing, wrong, octaveAway, isDone: missing.length === 0 };
}
