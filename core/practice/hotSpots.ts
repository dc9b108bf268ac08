import type { Arrangement } from '../arrangement';
import { type Hand, type HandNote, isPass, type Strike, strikesOf } from '../hands';
import { isBlack, pulseTicks } from '../music';
import { barAt, type PlayedBar } from '../song';
import type { Judgement } from './judge';
import type { Turn } from './log';
import type { Trouble } from './troubles';

/** A key that went wrong in a turn, by what of the song it is: it is found again when the song is edited elsewhere. */
export interface Slip {
  /** Id of the note of the tune, or of the chord, it comes from. */
  readonly from: string;
  readonly midi: number;
  readonly hand: Hand;
  readonly kind: Trouble['kind'];
}

/** Why a place is hard, where the rules know. */
export type Cause = 'leap' | 'crossing' | 'quick' | 'off the beat' | 'black key';

/** A bar with what has gone wrong in it. */
export interface HotBar {
  readonly bar: number;
  readonly tick: number;
  readonly length: number;
  /** 0 nothing … 1 the worst bar of the song. */
  readonly heat: number;
  /** Slips counted, old ones as well. */
  readonly slips: number;
  /** The hand that slips most. */
  readonly hand: Hand;
  readonly cause: Cause | null;
}

export interface Heat {
  /** Every bar of the song, in time. */
  readonly bars: readonly HotBar[];
  /** Slips at notes that are no longer there: what was played then cannot be compared. */
  readonly lost: number;
}

/** Most slips that are kept of one turn. */
const MOST_KEPT = 80;
/** After so many days a slip counts half. */
const HALF_LIFE_DAYS = 14;
const DAY_MS = 86_400_000;
/** A hand that goes so far in half steps leaps. */
const LEAP_SEMITONES = 12;
/** A key that comes so soon after the one before it in its hand is quick, in seconds at the goal tempo. */
const QUICK_SECONDS = 0.2;

/** What of a take is kept to be found again later; a key too many, and a new beginning, at the key that was wanted there. */
export function slipsOf({ keys, extra, restarts }: Judgement): Slip[] {
  const at = (tick: number, kind: Slip['kind']): Slip[] => {
    const there = keys.findLast(({ wanted }) => wanted.tick <= tick)?.wanted;
    return there ? [{ from: there.from, midi: there.midi, hand: there.hand, kind }] : [];
  };
  return [
    ...keys.flatMap(({ wanted: { from, midi, hand }, how }): Slip[] =>
      how === 'right' || how === 'not reached' ? [] : [{ from, midi, hand, kind: how }],
    ),
    ...extra.flatMap(({ tick }) => at(tick, 'extra')),
    ...restarts.flatMap((tick) => at(tick, 'restart')),
  ].slice(0, MOST_KEPT);
}

/**
 * Where a song goes wrong, from all turns, the recent ones weighing most. `now` in milliseconds; a turn that seems to come
 * later than now (a clock set back) counts as of now.
 */
export function heatOf(
  arrangement: Pick<Arrangement, 'right' | 'left' | 'played'>,
  turns: readonly Pick<Turn, 'at' | 'slips'>[],
  now: number,
  secondsAt: (tick: number) => number,
): Heat {
  const { right, left, played } = arrangement;
  const notes = new Map([...right, ...left].map((note) => [nameOf(note), note]));
  const places = new Map<number, { weight: number; slips: number; byNote: Map<HandNote, number> }>();
  let lost = 0;
  for (const { at, slips } of turns)
    for (const slip of slips ?? []) {
      const note = notes.get(nameOf(slip));
      if (!note) {
        lost++;
        continue;
      }
      const { number } = barAt(played.bars, note.tick);
      const place = places.get(number) ?? { weight: 0, slips: 0, byNote: new Map<HandNote, number>() };
      const weight = 0.5 ** (Math.max(0, now - at) / (HALF_LIFE_DAYS * DAY_MS));
      place.weight += weight;
      place.slips++;
      place.byNote.set(note, (place.byNote.get(note) ?? 0) + weight);
      places.set(number, place);
    }
  const most = Math.max(0, ...[...places.values()].map(({ weight }) => weight));
  const strikes = { right: strikesOf(right), left: strikesOf(left) };
  const bars = played.bars.map((bar): HotBar => {
    const { number, tick, length } = bar;
    const place = places.get(number);
    if (!place) return { bar: number, tick, length, heat: 0, slips: 0, hand: 'right', cause: null };
    const [worst] = [...place.byNote].sort(([, a], [, b]) => b - a)[0];
    const cause = causeOf(worst, strikes[worst.hand], bar, secondsAt);
    return {
      bar: number,
      tick,
      length,
      heat: place.weight / most,
      slips: place.slips,
      hand: worst.hand,
      cause,
    };
  });
  return { bars, lost };
}

/** The hottest bars, the worst first. */
export function hottest({ bars }: Heat, count: number): HotBar[] {
  return bars
    .filter(({ heat }) => heat > 0)
    .sort((a, b) => b.heat - a.heat || a.bar - b.bar)
    .slice(0, count);
}

function nameOf({ from, midi, hand }: Pick<HandNote, 'from' | 'midi' | 'hand'>): string {
  return `${from} ${midi} ${hand}`;
}

/** Why a key is likely hard, the weightiest reason first; null where it looks easy. */
function causeOf(
  note: HandNote,
  strikes: readonly Strike[],
  bar: Pick<PlayedBar, 'tick' | 'metre'>,
  secondsAt: (tick: number) => number,
): Cause | null {
  const at = strikes.findIndex(([first]) => first.tick === note.tick);
  const [before, here] = [strikes[at - 1], strikes[at]];
  if (before && here) {
    if (Math.abs(middleOf(here) - middleOf(before)) >= LEAP_SEMITONES) return 'leap';
    if (before.length === 1 && here.length === 1 && isPass(before[0], here[0], note.hand)) return 'crossing';
    if (secondsAt(here[0].tick) - secondsAt(before[0].tick) < QUICK_SECONDS) return 'quick';
  }
  if ((note.tick - bar.tick) % pulseTicks(bar.metre) !== 0) return 'off the beat';
  return isBlack(note.midi) ? 'black key' : null;
}

function middleOf(strike: Strike): number {
  return strike.reduce((sum, { midi }) => sum + midi, 0) / strike.length;
}
