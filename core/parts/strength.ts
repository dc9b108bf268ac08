import { barTicks, pulseTicks } from '../music/metre';
import { barAt } from '../song/bars';
import type { PlayedSong } from '../song/unfold';

/** A place where a part could begin, with what speaks for it. */
export interface Boundary {
  readonly tick: number;
  readonly strength: number;
  readonly reasons: readonly string[];
}

/** Strengths of what marks a boundary; sources: phrase grouping by rest, length and metre (Lerdahl and Jackendoff 1983, GPR 2 and 3). */
export const STRENGTH = {
  restPerBeat: 3,
  longNote: 3,
  ratherLongNote: 1,
  barLine: 2,
  asPickup: 3,
  barGroupOfFour: 3,
  barGroupOfTwo: 1,
  endOfLine: 4,
  capital: 2,
  section: 8,
} as const;

/** Every onset of the melody as a possible boundary; without a melody, every bar line. */
export function boundariesOf(played: PlayedSong): Boundary[] {
  const notes = played.melody.filter((note) => !note.grace);
  const sections = new Set(played.sections.map((s) => s.tick));
  if (notes.length === 0) {
    return played.bars
      .filter((bar) => bar.number > 0)
      .map((bar) => ({ tick: bar.tick, ...barReasons(bar.number, true, sections.has(bar.tick)) }));
  }
  const lengths = notes.map((note) => note.length).sort((a, b) => a - b);
  const usual = lengths[lengths.length >> 1];
  const upbeat = upbeatOf(played);
  const found: Boundary[] = [];
  for (let i = 1; i < notes.length; i++) {
    const note = notes[i];
    if (note.tick === notes[i - 1].tick) continue;
    found.push(boundaryBetween(played, notes[i - 1], note, usual, upbeat, sections.has(note.tick)));
  }
  return found;
}

/** Ticks before a bar line at which phrases of a song with a pick-up begin. */
export function upbeatOf(played: PlayedSong): number {
  const first = played.bars[0];
  return first && first.number === 0 ? first.length : 0;
}

type Note = PlayedSong['melody'][number];

function boundaryBetween(
  played: PlayedSong,
  before: Note,
  note: Note,
  usual: number,
  upbeat: number,
  isSection: boolean,
): Boundary {
  const bar = barAt(played.bars, note.tick);
  const pulse = pulseTicks(bar.metre);
  const rest = note.tick - (before.tick + before.length);
  const wait = note.tick - before.tick;
  const toBarLine = bar.tick + bar.length - note.tick;
  const onBarLine = note.tick === bar.tick;
  const asPickup = upbeat > 0 && toBarLine === upbeat && !onBarLine;
  const reasons: string[] = [];
  let strength = 0;
  const say = (points: number, reason: string): void => {
    strength += points;
    reasons.push(reason);
  };
  if (rest >= pulse / 2)
    say(Math.round(STRENGTH.restPerBeat * Math.min(2, rest / pulse)), 'a rest before it');
  if (wait >= 2 * usual && wait >= pulse) say(STRENGTH.longNote, 'a long note before it');
  else if (wait * 2 >= 3 * usual && wait >= pulse) say(STRENGTH.ratherLongNote, 'a longer note before it');
  if (/[,.;:!?]$/.test(before.lyric?.text ?? '')) say(STRENGTH.endOfLine, 'the line of words ends');
  if (/^[A-Z]/.test(note.lyric?.text ?? '')) say(STRENGTH.capital, 'a new line of words begins');
  if (asPickup) say(STRENGTH.asPickup, 'begins with the same pick-up as the song');
  const number = asPickup ? bar.number + 1 : bar.number;
  const grid = barReasons(number, onBarLine && upbeat < pulse / 2, isSection);
  if (onBarLine || asPickup || isSection) {
    strength += grid.strength;
    reasons.push(...grid.reasons);
  }
  return { tick: note.tick, strength, reasons };
}

function barReasons(barNumber: number, onBarLine: boolean, isSection: boolean): Omit<Boundary, 'tick'> {
  const reasons: string[] = [];
  let strength = 0;
  if (onBarLine) {
    strength += STRENGTH.barLine;
    reasons.push('on the bar line');
  }
  const sinceFirst = barNumber - 1;
  if (sinceFirst % 4 === 0) {
    strength += STRENGTH.barGroupOfFour;
    reasons.push('a group of four bars is complete');
  } else if (sinceFirst % 2 === 0) {
    strength += STRENGTH.barGroupOfTwo;
    reasons.push('a group of two bars is complete');
  }
  if (isSection) {
    strength += STRENGTH.section;
    reasons.push('a section begins');
  }
  return { strength, reasons };
}

/** Length of a stretch in bars of the metre at its start, in hundredths. */
export function barsBetween(played: PlayedSong, from: number, to: number): number {
  return Math.round((100 * (to - from)) / barTicks(barAt(played.bars, from).metre));
}
