import { midiOf, staffStep } from '../music/pitch';
import type { PlayedChange, PlayedNote } from '../song/unfold';

export type Relation = 'same' | 'ending' | 'moved' | 'rhythm' | 'new';

/** What a part contains, its ticks counted from its first full bar. */
export interface Content {
  readonly notes: readonly PlayedNote[];
  readonly changes: readonly PlayedChange[];
  readonly origin: number;
  readonly length: number;
}

export interface Related {
  readonly relation: Relation;
  /** Index of the earlier part it is compared with, or null when new. */
  readonly to: number | null;
  /** Half steps or staff steps moved, for "moved". */
  readonly by: string | null;
}

/** A new ending may take up at most this share of the part. */
const LONGEST_ENDING = 0.6;

/** How each part relates to the earlier one most like it. */
export function relate(parts: readonly Content[]): Related[] {
  return parts.map((part, index) => {
    for (const test of [isSame, hasNewEnding, isMoved, hasSameRhythm]) {
      for (let earlier = 0; earlier < index; earlier++) {
        const found = test(parts[earlier], part);
        if (found) return { ...found, to: earlier };
      }
    }
    return { relation: 'new', to: null, by: null };
  });
}

type Found = Omit<Related, 'to'> | null;

function isSame(a: Content, b: Content): Found {
  const alike = sameMelody(a, b, Infinity) && sameChanges(a, b) && a.notes.length + a.changes.length > 0;
  return alike ? { relation: 'same', by: null } : null;
}

function hasNewEnding(a: Content, b: Content): Found {
  if (!startsAlike(a, b)) return null;
  const differs = Math.min(firstDifference(a, b), firstDifference(b, a));
  const longest = Math.min(a.length, b.length);
  if (longest <= 0 || a.notes.length < 4 || b.notes.length < 4) return null;
  return differs >= longest * (1 - LONGEST_ENDING) ? { relation: 'ending', by: null } : null;
}

/** A look at the first note and change, before the whole parts are compared. */
function startsAlike(a: Content, b: Content): boolean {
  const [n, m] = [a.notes[0], b.notes[0]];
  const [c, d] = [a.changes[0], b.changes[0]];
  return n !== undefined && m !== undefined && sameNote(a, n, b, m) && c?.symbol === d?.symbol;
}

function isMoved(a: Content, b: Content): Found {
  if (!sameTimes(a, b) || a.notes.length < 3) return null;
  const semitones = new Set(a.notes.map((note, i) => b.notes[i].midi - note.midi));
  if (semitones.size === 1 && !semitones.has(0))
    return { relation: 'moved', by: `${[...semitones][0]} half steps` };
  const steps = new Set(a.notes.map((note, i) => staffStep(b.notes[i].pitch) - staffStep(note.pitch)));
  return steps.size === 1 && !steps.has(0)
    ? { relation: 'moved', by: `${[...steps][0]} steps of the key` }
    : null;
}

function hasSameRhythm(a: Content, b: Content): Found {
  return a.notes.length >= 4 && sameTimes(a, b) ? { relation: 'rhythm', by: null } : null;
}

function sameTimes(a: Content, b: Content): boolean {
  return (
    a.notes.length === b.notes.length &&
    a.notes.every(
      (n, i) => n.tick - a.origin === b.notes[i].tick - b.origin && n.length === b.notes[i].length,
    )
  );
}

function sameMelody(a: Content, b: Content, until: number): boolean {
  const inside = (c: Content): readonly PlayedNote[] => c.notes.filter((n) => n.tick - c.origin < until);
  const [x, y] = [inside(a), inside(b)];
  const last = x.length - 1;
  return x.length === y.length && x.every((n, i) => sameNote(a, n, b, y[i], i === last));
}

/** The last note of a part may be longer or shorter: what follows decides how long it rings. */
function sameNote(a: Content, n: PlayedNote, b: Content, m: PlayedNote, isLast = false): boolean {
  const sameLength = isLast || n.length === m.length;
  return n.tick - a.origin === m.tick - b.origin && sameLength && midiOf(n.pitch) === midiOf(m.pitch);
}

function sameChanges(a: Content, b: Content): boolean {
  return (
    a.changes.length === b.changes.length &&
    a.changes.every((c, i) => {
      const d = b.changes[i];
      return c.symbol === d.symbol && c.tick - a.origin === d.tick - b.origin && c.length === d.length;
    })
  );
}

/** Ticks from the origin to the first note or change of `a` that `b` does not have. */
function firstDifference(a: Content, b: Content): number {
  const notes = new Map(b.notes.map((m) => [m.tick - b.origin, m]));
  const changes = new Map(b.changes.map((d) => [d.tick - b.origin, d.symbol]));
  const note = a.notes.find((n) => {
    const other = notes.get(n.tick - a.origin);
    return !other || !sameNote(a, n, b, other);
  });
  const change = a.changes.find((c) => changes.get(c.tick - a.origin) !== c.symbol);
  return Math.min(note ? note.tick - a.origin : Infinity, change ? change.tick - a.origin : Infinity);
}

/** "A A' B A'": a new letter for new parts, a stroke for a new ending, the same letter for a return. */
export function formLetters(related: readonly Related[]): string[] {
  const letters: string[] = [];
  let next = 0;
  for (const { relation, to } of related) {
    if (relation === 'same' && to !== null) letters.push(letters[to]);
    else if (relation === 'ending' && to !== null) letters.push(withStroke(letters[to], letters));
    else letters.push(letterAt(next++));
  }
  return letters;
}

function withStroke(letter: string, used: readonly string[]): string {
  let name = `${letter.replace(/'+$/, '')}'`;
  while (used.includes(name)) name += "'";
  return name;
}

function letterAt(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : letter + Math.floor(index / 26);
}
