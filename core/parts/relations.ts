import { type Pitch, staffStep } from '../music';
import { gotOrMade, Memory } from '../memory';

/** How a stretch relates to an earlier one. "varied": the same but for single bars, or ornamented. */
export type Relation = 'same' | 'ending' | 'moved' | 'varied' | 'rhythm' | 'new';

/** A key struck, as relations see it. */
export interface Struck {
  readonly tick: number;
  readonly length: number;
  readonly midi: number;
  /** Staff step: letters counted upwards. */
  readonly step: number;
}

const seen = new WeakMap<object, Struck>();

/** A key of the melody, or of a hand, as relations see it: the same object for the same one. */
export function struckAs(note: Omit<Struck, 'step'> & { readonly pitch: Pitch }): Struck {
  const { tick, length, midi, pitch } = note;
  return gotOrMade(seen, note, () => ({ tick, length, midi, step: staffStep(pitch) }));
}

/** What a stretch contains: by hand or of the melody, in time, from the lowest key up. */
export interface Content {
  readonly notes: readonly Struck[];
  /** Chords with their place and length; empty where only keys are compared. */
  readonly changes: readonly { readonly tick: number; readonly length: number; readonly symbol: string }[];
  /** Tick of its first full bar: all is counted from here, a pick-up before it. */
  readonly origin: number;
  readonly length: number;
  readonly barTicks: number;
}

/** By how much a shape is moved: letters, and half steps where it is moved exactly. */
export interface Moved {
  readonly steps: number;
  readonly semitones: number | null;
}

export interface Related {
  readonly relation: Relation;
  /** Index of the earlier stretch it is compared with, or null when new. */
  readonly to: number | null;
  readonly moved: Moved | null;
  /** The chords are the same as well, at the same places. */
  readonly sameChords: boolean;
  /** Bars that differ, counted from 0, the pick-up −1; empty for "same", "moved", "rhythm" and "new". */
  readonly differs: readonly number[];
}

/** Fewest notes for which likeness is no accident. */
const FEWEST_NOTES = 3;
/** Share of the simpler melody's time that must be found in the ornamented one, on the same ticks. */
const ORNAMENTED = 0.75;
const FEWEST_ORNAMENTED = 5;
/** So many notes of one length in a row are a rhythm that can be recognised. */
const FEWEST_EVEN = 8;

/**
 * How each stretch relates to the earlier one most like it; the earliest of equals. Each is compared only with those
 * that share what the likeness asks for (the same keys, the same times, a bar, most keys), looked up by name.
 */
export function relate(parts: readonly Content[], memory = new Memory()): Related[] {
  const indexed = parts.map((part) => indexedOnce(part, memory));
  const lookups = TESTS.map(({ seek }) => [seek].flat().map((one) => new Lookup(one)));
  return indexed.map((part, index) => {
    const found = firstFound(parts, indexed, lookups, part, parts[index]);
    for (const lookup of lookups.flat()) lookup.add(part, index);
    return found;
  });
}

function firstFound(
  parts: readonly Content[],
  indexed: readonly Indexed[],
  lookups: readonly (readonly Lookup[])[],
  part: Indexed,
  content: Content,
): Related {
  for (const [at, { test }] of TESTS.entries()) {
    for (const earlier of nearest(lookups[at], part)) {
      const found = test(indexed[earlier], part);
      if (!found) continue;
      const chords = sameChords(parts[earlier], content);
      return { moved: null, differs: [], ...found, to: earlier, sameChords: chords };
    }
  }
  return NEW;
}

/** Those that any of the lookups finds, in order. */
function nearest(lookups: readonly Lookup[], part: Indexed): readonly number[] {
  const [only, ...more] = lookups.map((lookup) => lookup.near(part));
  return more.length === 0 ? only : [...new Set([...only, ...more.flat()])].sort((a, b) => a - b);
}

/** Names under which a stretch is found; those that share enough of them are worth comparing. */
interface Seek {
  readonly names: (part: Indexed) => readonly string[];
  /** Names one of the two must share at least; one when it is left out. */
  readonly least?: (part: Indexed) => number;
}

/** Earlier stretches by the names they go under. */
class Lookup {
  private readonly places = new Map<string, number[]>();
  private readonly least: number[] = [];

  constructor(private readonly seek: Seek) {}

  add(part: Indexed, index: number): void {
    this.least[index] = this.seek.least?.(part) ?? 1;
    for (const name of this.seek.names(part)) gotOrMade(this.places, name, (): number[] => []).push(index);
  }

  /** Those that share enough with a stretch, in order. */
  near(part: Indexed): number[] {
    const names = this.seek.names(part);
    if (names.length === 1) return this.places.get(names[0]) ?? [];
    const counts = new Map<number, number>();
    for (const name of names)
      for (const index of this.places.get(name) ?? []) counts.set(index, (counts.get(index) ?? 0) + 1);
    const least = this.seek.least?.(part) ?? 1;
    const enough = [...counts].filter(([index, count]) => count >= Math.min(least, this.least[index]));
    return enough.map(([index]) => index).sort((a, b) => a - b);
  }
}

const NEW: Related = { relation: 'new', to: null, moved: null, sameChords: false, differs: [] };

type Found = Pick<Related, 'relation'> & Partial<Related>;
type Test = (a: Indexed, b: Indexed) => Found | null;

/** A stretch with what is looked up in it again and again. */
interface Indexed extends Content {
  /** What is struck in each bar, the first full one 0, as a name that equal bars share. */
  readonly bars: ReadonlyMap<number, string>;
  /** Keys struck, by tick from the origin. */
  readonly keys: ReadonlySet<string>;
  readonly barNames: readonly string[];
  readonly keyNames: readonly string[];
  readonly ticks: number;
  /** So many of its notes at least are found in one that ornaments it: its longest, for the time they fill. */
  readonly fewestShared: number;
  /** All that is struck, and when, as names that equal stretches share; the last note's length apart. */
  readonly wholeName: string;
  readonly timesName: string;
}

/** A stretch in which nothing is struck anew is looked up as before: an edit alters one or two. */
function indexedOnce(content: Content, memory: Memory): Indexed {
  const { notes, changes, origin, length, barTicks } = content;
  return memory.of<Indexed>('stretches')(`${origin}`, [notes, changes, length, barTicks], () =>
    indexOf(content),
  );
}

function indexOf(content: Content): Indexed {
  const { notes, origin } = content;
  const last = notes.at(-1)?.tick ?? 0;
  const bars = new Map<number, string>();
  for (const n of notes) {
    const bar = Math.floor((n.tick - origin) / content.barTicks);
    const length = n.tick === last ? '' : n.length;
    bars.set(bar, `${bars.get(bar) ?? ''}${n.tick - origin}:${length}:${n.midi} `);
  }
  const keys = new Set(notes.map((n) => `${n.tick - origin}:${n.midi}`));
  return {
    ...content,
    bars,
    keys,
    barNames: [...bars].map(([bar, struck]) => `${bar}|${struck}`),
    keyNames: [...keys],
    ticks: notes.reduce((sum, n) => sum + n.length, 0),
    fewestShared: fewestFilling(notes),
    wholeName: notes.map((n) => `${n.tick - origin}:${n.tick === last ? '' : n.length}:${n.midi}`).join(),
    timesName: notes.map((n) => `${n.tick - origin}:${n.tick === last ? '' : n.length}`).join(),
  };
}

/** Names that tell something of what is struck: where nothing is, none, as every silence would be like every other. */
const ofStruck = (names: Seek['names']): Seek['names'] => {
  return (part) => (part.notes.length > 0 ? names(part) : []);
};

const byKeys: Seek = {
  names: (part) => {
    if (part.notes.length > 0) return [part.wholeName];
    return part.changes.length > 0 ? [`chords ${chordsName(part)}`] : [];
  },
};
const byTimes: Seek = { names: ofStruck((part) => [part.timesName]) };
const byFirstBar: Seek = { names: ofStruck(({ bars }) => [`${bars.get(-1)}|${bars.get(0)}`]) };
const byBars: Seek = { names: ({ barNames }) => barNames };
const byStruck: Seek = { names: ({ keyNames }) => keyNames, least: ({ fewestShared }) => fewestShared };

/** The number of notes, the longest first, that fill as much of the time as an ornamented likeness asks for. */
function fewestFilling(notes: readonly Struck[]): number {
  const lengths = notes.map((n) => n.length).sort((a, b) => b - a);
  const wanted = ORNAMENTED * lengths.reduce((sum, length) => sum + length, 0);
  let [count, filled] = [0, 0];
  while (count < lengths.length && filled < wanted) filled += lengths[count++];
  return Math.max(1, count);
}

/** The likenesses from the nearest to the farthest, each with where it is looked for. */
const TESTS: readonly { readonly test: Test; readonly seek: Seek | readonly Seek[] }[] = [
  { seek: byKeys, test: (a, b) => (sameKeys(a, b) && sameChords(a, b) ? { relation: 'same' } : null) },
  { seek: byKeys, test: (a, b) => (a.notes.length > 0 && sameKeys(a, b) ? { relation: 'same' } : null) },
  { seek: byFirstBar, test: hasNewEnding },
  { seek: byTimes, test: isMoved },
  { seek: [byBars, byStruck], test: isVaried },
  { seek: byTimes, test: hasSameRhythm },
];

function chordsName({ changes, origin }: Content): string {
  return changes.map((c) => `${c.symbol}@${c.tick - origin}`).join();
}

/** The same keys at the same ticks; the last may ring longer or shorter: what follows decides that. */
function sameKeys(a: Content, b: Content): boolean {
  if (a.notes.length !== b.notes.length || a.notes.length + a.changes.length === 0) return false;
  const last = a.notes.at(-1)?.tick;
  return a.notes.every((n, i) => sameNote(a, n, b, b.notes[i], n.tick === last));
}

function sameNote(a: Content, n: Struck, b: Content, m: Struck, isLast = false): boolean {
  return n.midi === m.midi && n.tick - a.origin === m.tick - b.origin && (isLast || n.length === m.length);
}

function sameChords(a: Content, b: Content): boolean {
  return (
    a.changes.length === b.changes.length &&
    a.changes.every((c, i) => {
      const d = b.changes[i];
      const isLast = i === a.changes.length - 1;
      const sameLength = isLast || c.length === d.length;
      return c.symbol === d.symbol && c.tick - a.origin === d.tick - b.origin && sameLength;
    })
  );
}

/** The first bar at least is the same, and from some bar on to the end it is not. */
function hasNewEnding(a: Indexed, b: Indexed): Found | null {
  const first = a.notes[0];
  const other = b.notes[0];
  if (!first || !other || !sameNote(a, first, b, other, true)) return null;
  const differs = differingBars(a, b);
  const from = differs[0];
  if (from === undefined || from < 1) return null;
  const last = lastBar(a, b);
  const goesOn = differs.length === last - from + 1;
  return goesOn && sharesEnough(a, from) ? { relation: 'ending', differs } : null;
}

function lastBar(a: Content, b: Content): number {
  return Math.ceil(Math.max(a.length, b.length) / a.barTicks) - 1;
}

/** Three notes alike before the difference, or a whole bar of two. */
function sharesEnough(a: Content, fromBar: number): boolean {
  const shared = a.notes.filter((n) => n.tick - a.origin < fromBar * a.barTicks).length;
  return shared >= FEWEST_NOTES || shared === 2;
}

/** Bars in which the keys differ, in order. A bar that only the longer one has differs. */
function differingBars(a: Indexed, b: Indexed): number[] {
  const found: number[] = [];
  for (let bar = -1; bar <= lastBar(a, b); bar++) if (a.bars.get(bar) !== b.bars.get(bar)) found.push(bar);
  return found;
}

function isMoved(a: Content, b: Content): Found | null {
  if (!sameTimes(a, b) || !isDistinct(a)) return null;
  const semitones = b.notes[0].midi - a.notes[0].midi;
  const steps = b.notes[0].step - a.notes[0].step;
  const exactly = a.notes.every((n, i) => b.notes[i].midi - n.midi === semitones);
  if (exactly && semitones !== 0) return { relation: 'moved', moved: { steps, semitones } };
  const inKey = a.notes.every((n, i) => b.notes[i].step - n.step === steps);
  return inKey && steps !== 0 ? { relation: 'moved', moved: { steps, semitones: null } } : null;
}

/** Ornamented, or the same but for some bars in the middle or at the beginning. */
function isVaried(a: Indexed, b: Indexed): Found | null {
  if (a.changes.length + b.changes.length > 0 && a.notes.length + b.notes.length === 0) return null;
  const differs = differingBars(a, b);
  const bars = lastBar(a, b) + 1;
  const alike = a.notes.filter((n) => !differs.includes(Math.floor((n.tick - a.origin) / a.barTicks))).length;
  const mostlySame = differs.length * 2 <= bars && alike > FEWEST_NOTES;
  return mostlySame || isOrnamented(a, b) ? { relation: 'varied', differs } : null;
}

function isOrnamented(a: Indexed, b: Indexed): boolean {
  const [simple, rich] = a.notes.length <= b.notes.length ? [a, b] : [b, a];
  if (simple.notes.length < FEWEST_ORNAMENTED || simple.notes.length * 4 < rich.notes.length) return false;
  const found = simple.notes
    .filter((n) => rich.keys.has(`${n.tick - simple.origin}:${n.midi}`))
    .reduce((sum, n) => sum + n.length, 0);
  return found >= ORNAMENTED * simple.ticks;
}

function hasSameRhythm(a: Content, b: Content): Found | null {
  const count = a.notes.length;
  const isEven = new Set(a.notes.map((n) => n.length)).size === 1;
  const tells = isEven ? count >= FEWEST_EVEN : count > FEWEST_NOTES;
  return tells && sameTimes(a, b) ? { relation: 'rhythm' } : null;
}

/** Four notes, or three of different lengths: less comes back by accident. */
function isDistinct({ notes }: Content): boolean {
  if (notes.length > FEWEST_NOTES) return true;
  return notes.length === FEWEST_NOTES && new Set(notes.map((n) => n.length)).size > 1;
}

function sameTimes(a: Content, b: Content): boolean {
  if (a.notes.length !== b.notes.length || a.notes.length === 0) return false;
  const last = a.notes[a.notes.length - 1].tick;
  return a.notes.every((n, i) => {
    const m = b.notes[i];
    return n.tick - a.origin === m.tick - b.origin && (n.tick === last || n.length === m.length);
  });
}
