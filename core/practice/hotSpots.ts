import type { Arrangement } from '../arrangement';
import { type Hand, type HandNote, isPass, type Strike, strikesOf } from '../hands';
import { isBlack } from '../music';
import { gotOrMade } from '../memory';
import { barAt, onsetsOf, placeInBar, type PlayedBar } from '../song';
import type { Turn } from './log';
import type { Slip } from './slips';

/** Why a place is hard, where the rules know. */
export type Cause = 'leap' | 'crossing' | 'quick' | 'off-the-beat' | 'black-key';

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

interface Heat {
  /** Every bar of the song, in time. */
  readonly bars: readonly HotBar[];
  /** Slips at notes that are no longer there: what was played then cannot be compared. */
  readonly lost: number;
}

/** After so many days a slip counts half. */
const HALF_LIFE_DAYS = 14;
const DAY_MS = 86_400_000;
/** A hand that goes so far in half steps leaps. */
const LEAP_SEMITONES = 12;
/** A key that comes so soon after the one before it in its hand is quick, in seconds at the full tempo. */
const QUICK_SECONDS = 0.2;

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
  const onsets = onsetsOf(played);
  const places = new Map<number, Place>();
  let lost = 0;
  for (const { at, slips } of turns) {
    const weight = 0.5 ** (Math.max(0, now - at) / (HALF_LIFE_DAYS * DAY_MS));
    for (const slip of slips ?? []) {
      const onset = onsets.get(slip.from);
      if (onset === undefined) lost++;
      else count(places, slip, onset + slip.after, barAt(played.bars, onset + slip.after).number, weight);
    }
  }
  const most = Math.max(0, ...[...places.values()].map(({ weight }) => weight));
  const strikes = { right: strikesOf(right), left: strikesOf(left) };
  const bars = played.bars.map((bar): HotBar => {
    const { number, tick, length } = bar;
    const place = places.get(number);
    if (!place) return { bar: number, tick, length, heat: 0, slips: 0, hand: 'right', cause: null };
    const { hand, midi, tick: at } = [...place.keys.values()].reduce((a, b) => (b.weight > a.weight ? b : a));
    const cause = causeOf({ tick: at, midi, hand }, strikes[hand], bar, secondsAt);
    return { bar: number, tick, length, heat: place.weight / most, slips: place.slips, hand, cause };
  });
  return { bars, lost };
}

/** What went wrong in a bar, all together and key by key. */
interface Place {
  weight: number;
  slips: number;
  readonly keys: Map<string, { hand: Hand; midi: number; tick: number; weight: number }>;
}

function count(places: Map<number, Place>, slip: Slip, tick: number, bar: number, weight: number): void {
  const place = gotOrMade(places, bar, (): Place => ({ weight: 0, slips: 0, keys: new Map() }));
  place.weight += weight;
  place.slips++;
  const { hand, midi } = slip;
  gotOrMade(place.keys, `${hand} ${midi} ${tick}`, () => ({ hand, midi, tick, weight: 0 })).weight += weight;
}

/** The hottest bars, the worst first. */
export function hottest({ bars }: Heat, count: number): HotBar[] {
  return bars
    .filter(({ heat }) => heat > 0)
    .sort((a, b) => b.heat - a.heat || a.bar - b.bar)
    .slice(0, count);
}

/** Why a key is likely hard, the weightiest reason first; null where it looks easy, or is not struck any more. */
function causeOf(
  note: Pick<HandNote, 'tick' | 'midi' | 'hand'>,
  strikes: readonly Strike[],
  bar: Pick<PlayedBar, 'tick' | 'length' | 'metre'>,
  secondsAt: (tick: number) => number,
): Cause | null {
  const at = strikes.findIndex(([first]) => first.tick === note.tick);
  const [before, here] = [strikes[at - 1], strikes[at]];
  if (!here?.some(({ midi }) => midi === note.midi)) return null;
  if (before) {
    if (Math.abs(middleOf(here) - middleOf(before)) >= LEAP_SEMITONES) return 'leap';
    if (before.length === 1 && here.length === 1 && isPass(before[0], here[0], note.hand)) return 'crossing';
    if (secondsAt(here[0].tick) - secondsAt(before[0].tick) < QUICK_SECONDS) return 'quick';
  }
  if (placeInBar(bar, note.tick).inBeat !== 0) return 'off-the-beat';
  return isBlack(note.midi) ? 'black-key' : null;
}

function middleOf(strike: Strike): number {
  return strike.reduce((sum, { midi }) => sum + midi, 0) / strike.length;
}
