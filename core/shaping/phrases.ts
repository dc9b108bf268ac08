import { Memory } from '../memory';
import { barTicks } from '../music';
import { contentsOf, divide, firstBarTick, formLetters, letterOf, relate, struckAs } from '../parts';
import { barAt, indexAt, placeIn, type PlayedSong, within } from '../song';

/** A phrase of the tune, wherever the pianist has cut the song. */
export interface Phrase {
  /** Where it begins, its pick-up with it, and where the next one does. */
  readonly fromTick: number;
  readonly toTick: number;
  /** The bar line from which its bars are counted: a pick-up lies before it. */
  readonly barTick: number;
  /** Its first note (played id), by which it is known; null where it has none. */
  readonly firstNote: string | null;
  /** The letter of its strain: phrases of one letter begin alike. */
  readonly strain: string;
  /** The how-many-eth time its strain is heard, from 1. */
  readonly time: number;
  /** The tune comes to rest before the next one: a note of two beats, or a rest of one. */
  readonly rests: boolean;
  /** What it frames the song as; absent: it is of the song itself. */
  readonly frame?: string;
}

/** Parts of so many bars are halves of a phrase. */
const HALF_PHRASE = 2;

/**
 * The phrases of a song, in time: where the tune breathes, whatever the stored cuts are. Two halves of two bars are one
 * phrase. What frames the song has phrases of its own.
 */
export function phrasesOf(played: PlayedSong, memory = new Memory()): Phrase[] {
  const frames = played.sections.filter(({ frame }) => frame);
  const ends = played.sections.map(({ tick }) => tick);
  const forced = frames.flatMap(({ tick }) => [tick, ends.find((at) => at > tick) ?? played.endTick]);
  const starts = paired(
    played,
    divide(played, forced, memory).map(({ tick }) => tick),
    new Set([...forced, ...ends]),
  );
  const related = relate(contentsOf(played, starts, played.melody.map(struckAs), played.changes), memory);
  const letters = formLetters(related).map(letterOf);
  const times = new Map<string, number>();
  return starts.map((fromTick, i) => {
    const strain = letters[i];
    const time = (times.get(strain) ?? 0) + 1;
    times.set(strain, time);
    const toTick = starts[i + 1] ?? played.endTick;
    const barTick = Math.min(firstBarTick(played, fromTick), toTick);
    const section = played.sections.findLast(({ tick }) => tick <= Math.max(fromTick, barTick));
    const frame = section?.frame ? section.name : undefined;
    const firstNote = within(played.melody, fromTick, toTick).at(0)?.id ?? null;
    const rests = comesToRest(played, fromTick, toTick);
    return {
      fromTick,
      toTick,
      barTick,
      firstNote,
      rests,
      strain,
      time,
      ...(frame === undefined ? {} : { frame }),
    };
  });
}

/** Beats of a note, and of a rest, on which a phrase comes to rest. Source: common practice of cadences. */
const [LONG_NOTE, REST] = [2, 1];

function comesToRest({ melody, bars }: PlayedSong, from: number, to: number): boolean {
  const last = within(melody, from, to).findLast(({ grace }) => !grace);
  if (!last || to >= bars[bars.length - 1].tick + bars[bars.length - 1].length) return true;
  const { beatTicks } = placeIn(bars, last.tick);
  const next = melody.slice(indexAt(melody, to)).find(({ tick }) => tick >= to)?.tick ?? to;
  const isHeld = last.length >= LONG_NOTE * beatTicks;
  return isHeld || next - last.tick - last.length >= REST * beatTicks;
}

/** Beginnings of phrases: a second half of two bars goes with the first, but never over a section's beginning. */
function paired(played: PlayedSong, cuts: readonly number[], apart: ReadonlySet<number>): number[] {
  const barsFrom = (from: number, to: number): number =>
    Math.round((to - firstBarTick(played, from)) / barTicks(barAt(played.bars, from).metre));
  const starts: number[] = [];
  for (let i = 0; i < cuts.length; i++) {
    const [next, after] = [cuts[i + 1], cuts[i + 2] ?? played.endTick];
    starts.push(cuts[i]);
    if (next === undefined || apart.has(next)) continue;
    if (barsFrom(cuts[i], next) <= HALF_PHRASE && barsFrom(next, after) <= HALF_PHRASE) i++;
  }
  return starts;
}

/** Index of the phrase a tick lies in. */
export function phraseIndexAt(phrases: readonly Pick<Phrase, 'fromTick'>[], tick: number): number {
  return Math.max(
    0,
    phrases.findLastIndex(({ fromTick }) => fromTick <= tick),
  );
}
