import { Memory } from '../memory';
import { divides, type Phrase } from '../sentences';
import { barTicks, beatTicks, chroma, type Key, staffStep } from '../music';
import { barAt, lastAtOrBefore, keyAt, placeIn, type PlayedNote, type PlayedSong } from '../song';
import { type Boundary, cadencePoints, STRENGTH } from './boundary';
import { cadenceBefore } from './cadences';
import { doCapitalsMean, lineReasons } from './lines';
import { type FigureLengths, type Likeness, type Return, returnsOf } from './returns';
import { silentBarLines } from './silence';

/** A leap of a fifth or more between phrases. */
const LEAP_SEMITONES = 7;
/** Bars of a returning figure that are counted. */
const MOST_BARS = 4;
/** Bars a figure must go alike to count; a rounded bar is whole. */
const LEAST_BARS: Record<Likeness, number> = { same: 0.9, moved: 1.9, rhythm: 1.9 };

/** Ticks before a bar line at which phrases of a song with a pick-up begin. */
export function upbeatOf(played: PlayedSong): number {
  const first = played.bars[0];
  return first && first.number === 0 ? first.length : 0;
}

/** Length of a stretch in bars of the metre at its start, in hundredths. */
export function barsBetween(played: PlayedSong, from: number, to: number): number {
  return Math.round((100 * (to - from)) / barTicks(barAt(played.bars, from).metre));
}

type Note = PlayedNote;

/** Every onset of the melody as a possible boundary, and the bar lines where it is silent; in time. */
export function boundariesOf(played: PlayedSong, memory = new Memory()): readonly Boundary[] {
  // Tempo has no part in it: played slower, or with an ending that slows, a song has the same.
  const { melody, bars, changes, sections, keyMap } = played;
  const from = [melody, bars, changes, sections, keyMap];
  return memory.of<readonly Boundary[]>('boundaries')('song', from, () => boundariesIn(played, memory));
}

function boundariesIn(played: PlayedSong, memory: Memory): readonly Boundary[] {
  const notes = played.melody.filter((note) => !note.grace);
  const sections = sectionStarts(played, notes);
  const inSilence = silentBarLines(played, notes, sections);
  if (notes.length === 0) return inSilence;
  const evidence = evidenceOf(played, notes, sections, memory);
  const atNotes: Boundary[] = [];
  for (let i = 1; i < notes.length; i++) {
    if (notes[i].tick > notes[i - 1].tick) atNotes.push(boundaryBefore(evidence, i));
  }
  const taken = new Set(atNotes.map((b) => b.tick));
  return [...atNotes, ...inSilence.filter((b) => !taken.has(b.tick))].sort((a, b) => a.tick - b.tick);
}

/** Where sections begin: with their pick-up, when the song has one and a note is struck there. */
function sectionStarts(played: PlayedSong, notes: readonly Note[]): Set<number> {
  const upbeat = upbeatOf(played);
  const onsets = new Set(notes.map((note) => note.tick));
  return new Set(
    played.sections.map(({ tick }) => (upbeat > 0 && onsets.has(tick - upbeat) ? tick - upbeat : tick)),
  );
}

interface Evidence {
  readonly played: PlayedSong;
  readonly notes: readonly Note[];
  readonly sections: ReadonlySet<number>;
  /** Median length of a note in ticks. */
  readonly usual: number;
  readonly capitalsMean: boolean;
  readonly upbeat: number;
  /** Where the music goes back to an earlier bar. */
  readonly jumps: ReadonlySet<number>;
  readonly returns: ReadonlyMap<number, readonly Return[]>;
}

function evidenceOf(
  played: PlayedSong,
  notes: readonly Note[],
  sections: ReadonlySet<number>,
  memory: Memory,
): Evidence {
  const lengths = notes.map((note) => note.length).sort((a, b) => a - b);
  return {
    played,
    notes,
    sections,
    usual: lengths[lengths.length >> 1],
    capitalsMean: doCapitalsMean(notes),
    upbeat: upbeatOf(played),
    jumps: new Set(
      played.bars.flatMap((b, i) => (i > 0 && b.written <= played.bars[i - 1].written ? [b.tick] : [])),
    ),
    // What comes back does not depend on the chords.
    returns: memory.of<Evidence['returns']>('figures')('song', [notes, played.bars, played.endTick], () =>
      returnsIn(played, notes),
    ),
  };
}

function returnsIn(played: PlayedSong, notes: readonly Note[]): ReadonlyMap<number, readonly Return[]> {
  const figures = notes.map((note) => ({
    tick: note.tick,
    midi: note.midi,
    step: staffStep(note.pitch),
    inBar: placeIn(played.bars, note.tick).offset,
  }));
  return returnsOf(figures, played.endTick, countedLengths(played));
}

/** Figures so short that none counts, and so long that no more of them does, whatever metre they stand in. */
function countedLengths({ bars }: PlayedSong): FigureLengths {
  const ticks = bars.map((bar) => barTicks(bar.metre));
  return { least: LEAST_BARS.same * Math.min(...ticks), most: (MOST_BARS + 1) * Math.max(...ticks) };
}

function boundaryBefore(evidence: Evidence, index: number): Boundary {
  const { played, notes, usual, upbeat, sections } = evidence;
  const [before, note] = [notes[index - 1], notes[index]];
  const tick = startOf(played, before, note);
  const bar = barAt(played.bars, tick);
  const step = beatTicks(bar.metre);
  const reasons: Phrase[] = [];
  let [forBar, forOnset, place] = [0, 0, STRENGTH.offTheBar as number];
  const say = (points: number, reason: Phrase): void => {
    forBar += points;
    reasons.push(reason);
  };
  const sayHere = (points: number, reason: Phrase): void => {
    forOnset += points;
    reasons.push(reason);
  };
  const rest = note.tick - (before.tick + before.length);
  const wait = note.tick - before.tick;
  if (rest >= step / 2) sayHere(restPoints(rest / step), divides.restBefore(restOf(rest / step)));
  if (wait * 2 >= 3 * usual && wait >= step) {
    sayHere(longPoints(wait / usual), divides.longBefore(wait >= 2 * usual));
    if (isHome(before, keyAt(played, before.tick))) sayHere(STRENGTH.longTonic, divides.closesAtHome());
  }
  for (const [points, reason] of lineReasons(before, note, evidence.capitalsMean)) sayHere(points, reason);
  if (Math.abs(note.midi - before.midi) >= LEAP_SEMITONES) sayHere(STRENGTH.leap, divides.leap());
  const cadence = cadenceBefore(played, tick, (at) => keyAt(played, at));
  if (cadence && (wait > usual || rest > 0)) say(cadencePoints(cadence), divides.cadence(cadence));
  const figures = strongest(evidence, index);
  for (const { points, reason } of figures) say(points, reason);
  if (sections.has(tick) || sections.has(note.tick)) say(STRENGTH.section, divides.sectionBegins());
  if (evidence.jumps.has(tick)) say(STRENGTH.jump, divides.repeatBegins());
  const toBarLine = bar.tick + bar.length - tick;
  const lies = (points: number, reason: Phrase): void => {
    place = points;
    reasons.push(reason);
  };
  if (tick === bar.tick && upbeat < step / 2) lies(STRENGTH.barLine, divides.onBarLine());
  else if (upbeat > 0 && tick !== bar.tick && toBarLine === upbeat)
    lies(STRENGTH.asPickup, divides.asPickup());
  const strength = forBar + forOnset + place;
  return {
    tick,
    strength,
    forBar,
    forOnset,
    rest: Math.max(0, rest),
    isOfFigure: figures.length > 0,
    reasons,
  };
}

/** A part's first chord is not cut from the note it is struck before: it begins with a change in the rest. */
function startOf(played: PlayedSong, before: Note, note: Note): number {
  const silentFrom = before.tick + before.length;
  if (silentFrom >= note.tick) return note.tick;
  const bar = barAt(played.bars, note.tick);
  if (played.changes.length === 0) return note.tick;
  const change = lastAtOrBefore(played.changes, note.tick).tick;
  return change >= silentFrom && change >= bar.tick && change < note.tick ? change : note.tick;
}

/** Graded by the logarithm, to a tenth of a point: twice as long is as much again. */
function longPoints(times: number): number {
  return Math.min(STRENGTH.mostLongNote, Math.round(10 * STRENGTH.longNote * Math.log2(times)) / 10);
}

/** On the key-note or its fifth. */
function isHome({ midi }: Note, key: Key): boolean {
  return [0, 7].includes((midi - chroma(key.tonic) + 120) % 12);
}

function restPoints(beats: number): number {
  return Math.round(Math.min(STRENGTH.mostRest, STRENGTH.restPerBeat * beats));
}

/** In beats, to a tenth where it is a beat or more. */
function restOf(beats: number): number {
  return beats < 1 ? beats : Math.round(beats * 10) / 10;
}

/** The strongest return that begins here, and the strongest that comes again later. */
function strongest(
  { played, notes, returns }: Evidence,
  index: number,
): { points: number; reason: Phrase }[] {
  const here = returns.get(index) ?? [];
  const best = (isFirst: boolean): { points: number; reason: Phrase } | null => {
    let found: { points: number; reason: Phrase } | null = null;
    for (const item of here) {
      if (item.isFirst !== isFirst || (isFirst && item.likeness !== 'same')) continue;
      const bar = barAt(played.bars, notes[index].tick);
      const bars = Math.min(MOST_BARS, item.ticks / barTicks(bar.metre));
      if (bars < LEAST_BARS[item.likeness]) continue;
      const off = item.likeness === 'same' ? 0 : STRENGTH[item.likeness];
      const whole = STRENGTH.returns + STRENGTH.returnsPerBar * Math.floor(bars + 0.1) - off;
      const points = isFirst ? Math.round(whole / 2) : whole;
      if (points > (found?.points ?? 0)) found = { points, reason: returnSaid(item, isFirst) };
    }
    return found;
  };
  return [best(false), best(true)].filter((found) => found !== null).slice(0, 1);
}

function returnSaid({ likeness }: Return, isFirst: boolean): Phrase {
  return isFirst
    ? divides.returnBegins(likeness === 'rhythm' ? 'rhythm' : 'figure')
    : divides.returns(likeness);
}
