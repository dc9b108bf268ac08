import {
  barTicks,
  beatTicks,
  chroma,
  type Key,
  type Metre,
  rememberEach,
  rememberLast,
  staffStep,
} from '../music';
import { barAt, inForceAt, keyAt, type PlayedNote, type PlayedSong } from '../song';
import { type Cadence, cadenceBefore } from './cadences';
import { type FigureLengths, type Likeness, type Return, returnsOf } from './returns';

/** A place where a part could begin, with what speaks for it. */
export interface Boundary {
  readonly tick: number;
  /** Points, see {@link STRENGTH}. */
  readonly strength: number;
  /** Those of them that speak for this very onset, not only for its bar line. */
  readonly onset: number;
  /** Of these again those for its place in the bar. */
  readonly place: number;
  /** Ticks of rest before it. */
  readonly rest: number;
  /** The first note of a figure that comes twice. */
  readonly isOfFigure: boolean;
  readonly reasons: readonly string[];
}

/**
 * Points of what marks a boundary. Sources: phrase grouping by rest, length, leap and metre, and by parallel
 * passages (Lerdahl and Jackendoff 1983, grouping preference rules 2, 3 and 6); lines of words and cadences as
 * taught in song analysis.
 */
export const STRENGTH = {
  restPerBeat: 3,
  mostRest: 6,
  /** For each doubling of the song's usual length; more when it lies on the key-note or its fifth. */
  longNote: 2,
  mostLongNote: 5,
  longTonic: 1,
  leap: 1,
  barLine: 2,
  asPickup: 2,
  offTheBar: -3,
  endOfLine: 4,
  comma: 2,
  capital: 2,
  section: 8,
  jump: 6,
  closed: 2,
  open: 1,
  /** A figure returns: for its first bar, and for each further bar up to four. */
  returns: 1,
  returnsPerBar: 1,
  /** Taken off when it returns elsewhere on the keyboard, or with its rhythm only. */
  moved: 1,
  rhythm: 2,
} as const;

/** A leap of a fifth or more between phrases. */
const LEAP_SEMITONES = 7;
/** Bars of a returning figure that are counted. */
const MOST_BARS = 4;
/** Bars a figure must go alike to count; a rounded bar is whole. */
const LEAST_BARS: Record<Likeness, number> = { same: 0.9, moved: 1.9, rhythm: 1.9 };

/** Ticks of the beat a foot taps, whatever note stands for it: the dotted one in 6/8 as in 6/4. */
export function stepTicks(metre: Metre): number {
  const isCompound = metre.numerator > 3 && metre.numerator % 3 === 0;
  return beatTicks(metre) * (isCompound ? 3 : 1);
}

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

/** Every onset of the melody as a possible boundary, and the bar lines where it is silent; in time. Remembered. */
export const boundariesOf = rememberLast((played: PlayedSong): readonly Boundary[] => {
  const notes = played.melody.filter((note) => !note.grace);
  const sections = sectionStarts(played, notes);
  const inSilence = silentBarLines(played, notes, sections);
  if (notes.length === 0) return inSilence;
  const evidence = evidenceOf(played, notes, sections);
  const atNotes: Boundary[] = [];
  for (let i = 1; i < notes.length; i++) {
    if (notes[i].tick > notes[i - 1].tick) atNotes.push(boundaryBefore(evidence, i));
  }
  const taken = new Set(atNotes.map((b) => b.tick));
  return [...atNotes, ...inSilence.filter((b) => !taken.has(b.tick))].sort((a, b) => a.tick - b.tick);
});

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

function evidenceOf(played: PlayedSong, notes: readonly Note[], sections: ReadonlySet<number>): Evidence {
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
    returns: figuresOf('figures', [notes, played.bars, played.endTick], () => returnsIn(played, notes)),
  };
}

/** What comes back does not depend on the chords: remembered while melody and bars are the same. */
const figuresOf = rememberEach<ReadonlyMap<number, readonly Return[]>>();

function returnsIn(played: PlayedSong, notes: readonly Note[]): ReadonlyMap<number, readonly Return[]> {
  const figures = notes.map((note) => ({
    tick: note.tick,
    midi: note.midi,
    step: staffStep(note.pitch),
    inBar: placeInBar(played, note.tick),
  }));
  return returnsOf(figures, played.endTick, countedLengths(played));
}

/** Figures so short that none counts, and so long that no more of them does, whatever metre they stand in. */
function countedLengths({ bars }: PlayedSong): FigureLengths {
  const ticks = bars.map((bar) => barTicks(bar.metre));
  return { least: LEAST_BARS.same * Math.min(...ticks), most: (MOST_BARS + 1) * Math.max(...ticks) };
}

/** Ticks from the bar line; a pick-up lies where it would in a whole bar. */
function placeInBar(played: PlayedSong, tick: number): number {
  const bar = barAt(played.bars, tick);
  const missing = bar.number === 0 ? barTicks(bar.metre) - bar.length : 0;
  return tick - bar.tick + missing;
}

function boundaryBefore(evidence: Evidence, index: number): Boundary {
  const { played, notes, usual, upbeat, sections } = evidence;
  const [before, note] = [notes[index - 1], notes[index]];
  const tick = startOf(played, before, note);
  const bar = barAt(played.bars, tick);
  const step = stepTicks(bar.metre);
  const reasons: string[] = [];
  let [strength, onset] = [0, 0];
  const say = (points: number, reason: string): void => {
    strength += points;
    reasons.push(reason);
  };
  const sayHere = (points: number, reason: string): void => {
    onset += points;
    say(points, reason);
  };
  const rest = note.tick - (before.tick + before.length);
  const wait = note.tick - before.tick;
  if (rest >= step / 2) sayHere(restPoints(rest / step), restInWords(rest / step));
  if (wait * 2 >= 3 * usual && wait >= step) {
    sayHere(
      longPoints(wait / usual),
      wait >= 2 * usual ? 'a long note before it' : 'a longer note before it',
    );
    if (isHome(before, keyAt(played, before.tick)))
      sayHere(STRENGTH.longTonic, 'the melody ends on the key-note or its fifth');
  }
  for (const [points, reason] of lineReasons(before, note, evidence.capitalsMean)) sayHere(points, reason);
  if (Math.abs(note.midi - before.midi) >= LEAP_SEMITONES) sayHere(STRENGTH.leap, 'a leap');
  const cadence = cadenceBefore(played, tick, (at) => keyAt(played, at));
  if (cadence && (wait > usual || rest > 0)) say(cadencePoints(cadence), CADENCES[cadence]);
  const figures = strongest(evidence, index);
  for (const { points, reason } of figures) say(points, reason);
  if (sections.has(tick) || sections.has(note.tick)) say(STRENGTH.section, 'a section begins');
  if (evidence.jumps.has(tick)) say(STRENGTH.jump, 'a repeat begins');
  const toBarLine = bar.tick + bar.length - tick;
  const withoutPlace = onset;
  if (tick === bar.tick && upbeat < step / 2) sayHere(STRENGTH.barLine, 'on the bar line');
  else if (upbeat > 0 && tick !== bar.tick && toBarLine === upbeat)
    sayHere(STRENGTH.asPickup, 'begins with the same pick-up as the song');
  else {
    strength += STRENGTH.offTheBar;
    onset += STRENGTH.offTheBar;
  }
  const place = onset - withoutPlace;
  return { tick, strength, onset, place, rest: Math.max(0, rest), isOfFigure: figures.length > 0, reasons };
}

/** A part's first chord is not cut from the note it is struck before: it begins with a change in the rest. */
function startOf(played: PlayedSong, before: Note, note: Note): number {
  const silentFrom = before.tick + before.length;
  if (silentFrom >= note.tick) return note.tick;
  const bar = barAt(played.bars, note.tick);
  if (played.changes.length === 0) return note.tick;
  const change = inForceAt(played.changes, note.tick).tick;
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

function restInWords(beats: number): string {
  if (beats < 1) return 'a short rest before it';
  return beats === 1
    ? 'a rest of a beat before it'
    : `a rest of ${Math.round(beats * 10) / 10} beats before it`;
}

/** What the words say of a line that ends and one that begins. */
function lineReasons(before: Note, note: Note, capitalsMean: boolean): [points: number, reason: string][] {
  const reasons: [number, string][] = [];
  const mark = /[,.;:!?…]$/.exec(before.lyric?.text ?? '')?.[0];
  const begins = capitalsMean && startsLine(note);
  if (mark === ',' && !begins) reasons.push([STRENGTH.comma, 'a comma in the words']);
  else if (mark) reasons.push([STRENGTH.endOfLine, LINE_ENDS]);
  if (begins) reasons.push([STRENGTH.capital, LINE_BEGINS]);
  return reasons;
}

export const LINE_ENDS = 'the line of words ends';
export const LINE_BEGINS = 'a new line of words begins';

/** A capital begins a line, but "I" is written so anywhere. */
function startsLine({ lyric }: Note): boolean {
  const begins = lyric?.syllabic === 'single' || lyric?.syllabic === 'begin';
  return begins && /^\p{Lu}/u.test(lyric.text) && !/^I(['’]|$)/.test(lyric.text);
}

/** In a language that writes every noun with a capital (or in words all in capitals) capitals tell no lines. */
const MOST_CAPITALS = 0.3;

function doCapitalsMean(notes: readonly Note[]): boolean {
  const words = notes.filter((note) => note.lyric?.syllabic === 'single' || note.lyric?.syllabic === 'begin');
  return words.filter(startsLine).length <= MOST_CAPITALS * words.length;
}

const CADENCES: Record<Cadence, string> = {
  closed: 'a cadence on I before it',
  open: 'the part before rests on V',
};

function cadencePoints(cadence: Cadence): number {
  return cadence === 'closed' ? STRENGTH.closed : STRENGTH.open;
}

/** The strongest return that begins here, and the strongest that comes again later. */
function strongest(
  { played, notes, returns }: Evidence,
  index: number,
): { points: number; reason: string }[] {
  const here = returns.get(index) ?? [];
  const best = (isFirst: boolean): { points: number; reason: string } | null => {
    let found: { points: number; reason: string } | null = null;
    for (const item of here) {
      if (item.isFirst !== isFirst || (isFirst && item.likeness !== 'same')) continue;
      const bar = barAt(played.bars, notes[index].tick);
      const bars = Math.min(MOST_BARS, item.ticks / barTicks(bar.metre));
      if (bars < LEAST_BARS[item.likeness]) continue;
      const off = item.likeness === 'same' ? 0 : STRENGTH[item.likeness];
      const whole = STRENGTH.returns + STRENGTH.returnsPerBar * Math.floor(bars + 0.1) - off;
      const points = isFirst ? Math.round(whole / 2) : whole;
      if (points > (found?.points ?? 0)) found = { points, reason: returnInWords(item, isFirst) };
    }
    return found;
  };
  return [best(false), best(true)].filter((found) => found !== null).slice(0, 1);
}

function returnInWords({ likeness }: Return, isFirst: boolean): string {
  const what = { same: 'figure', moved: 'figure', rhythm: 'rhythm' }[likeness];
  if (isFirst) return `a ${what} begins that comes again`;
  return likeness === 'moved' ? 'an earlier figure returns, moved' : `an earlier ${what} returns`;
}

/** Bar lines at which no melody sounds and none has for a whole bar: in a song of chords all of them. */
function silentBarLines(
  played: PlayedSong,
  notes: readonly Note[],
  sections: ReadonlySet<number>,
): Boundary[] {
  let at = 0;
  let soundsUntil = -Infinity;
  return played.bars.flatMap((bar): Boundary[] => {
    while (at < notes.length && notes[at].tick < bar.tick) {
      soundsUntil = Math.max(soundsUntil, notes[at].tick + notes[at].length);
      at++;
    }
    const next = notes[at]?.tick ?? Infinity;
    const isSilent =
      soundsUntil <= bar.tick - (notes.length > 0 ? 0 : bar.length) && next >= bar.tick + bar.length;
    if (bar.number < 1 || bar.tick === 0 || (!isSilent && notes.length > 0)) return [];
    const isSection = sections.has(bar.tick);
    const cadence = cadenceBefore(played, bar.tick, (tick) => keyAt(played, tick));
    const reasons = [
      'on the bar line',
      ...(notes.length > 0 ? ['the melody rests'] : []),
      ...(cadence ? [CADENCES[cadence]] : []),
      ...(isSection ? ['a section begins'] : []),
    ];
    const strength =
      STRENGTH.barLine +
      (notes.length > 0 ? STRENGTH.restPerBeat : 0) +
      (cadence ? cadencePoints(cadence) : 0) +
      (isSection ? STRENGTH.section : 0);
    return [
      {
        tick: bar.tick,
        strength,
        onset: STRENGTH.barLine + (notes.length > 0 ? STRENGTH.restPerBeat : 0),
        place: STRENGTH.barLine,
        rest: bar.length,
        isOfFigure: false,
        reasons,
      },
    ];
  });
}
