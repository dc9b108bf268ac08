import { barTicks, middleTicks, TICKS_PER_QUARTER, unitTicks } from '../music';
import { beatsLater, placeInBar, type PlayedBar, type Touch } from '../song';
import { endingKeys, type FigureContext, keyAtPlace, keysOf } from './members';
import type { Pattern, PatternMember } from './pattern';

/** Keys struck together. */
export interface Strike {
  readonly tick: number;
  readonly length: number;
  readonly keys: readonly number[];
  readonly grace?: boolean;
  readonly touch?: Touch;
}

/** The stretch of one chord in one bar. */
export interface Stretch {
  readonly bar: PlayedBar;
  readonly start: number;
  readonly end: number;
  /** The first bar line from which the chord fills bars. */
  readonly firstBar: number;
  /** A phrase comes to rest with it: its figure thins, then holds. */
  readonly isAtRest: boolean;
}

/**
 * A pattern on one chord in one bar. A chord shorter than the pattern gets its first part; the last bar of a part has the
 * figure up to its middle, then root and third are held.
 */
export function strikesOf(context: FigureContext, pattern: Pattern, stretch: Stretch): Strike[] {
  const { end, isAtRest } = stretch;
  // A line has nothing to thin: its last note is held as it is.
  const holdFrom = isAtRest && pattern.base !== 'line' ? holdingFrom(pattern, stretch) : end;
  const strikes: Strike[] = [];
  const played = eventsUpTo(pattern, stretch, holdFrom);
  const events =
    holdFrom < end ? comingToRest(played, holdFrom - stretch.start) : withThird(context, pattern, played);
  for (const { tick, length, members, grace = false } of events)
    strikes.push({
      tick,
      length: grace ? 0 : Math.min(length, holdFrom - tick),
      keys: struck(context, pattern, members),
      grace,
    });
  if (holdFrom < end)
    strikes.push({ tick: holdFrom, length: end - holdFrom, keys: endingKeys(context, pattern.endsThin) });
  return strikes;
}

/** The keys of an event: a fixed line names them itself, places are those of the voicing. */
function struck(
  context: FigureContext,
  { base }: Pattern,
  members: readonly PatternMember[],
): readonly number[] {
  const numbers = members.filter((member) => typeof member === 'number');
  if (base === 'keys') return numbers.sort((a, b) => a - b);
  if (base !== 'voicing') return keysOf(context, members);
  const { keys } = context.voiced.voicing;
  const named = keysOf(
    context,
    members.filter((member) => typeof member !== 'number'),
  );
  return [...new Set([...named, ...numbers.map((place) => keyAtPlace(keys, place))])].sort((a, b) => a - b);
}

/** Ticks a pattern's figure has gone on for after so many of its units, from where the chord begins. */
function ticksAfter({ unit }: Pattern, { bar, start }: Stretch): (count: number) => number {
  if (unit !== 'beat') return (count) => Math.round(count * TICKS_PER_QUARTER);
  return (count) => {
    const [whole, share] = [Math.floor(count), count % 1];
    const at = beatsLater(bar, start, whole);
    return at - start + Math.round(share * placeInBar(bar, at).beatTicks);
  };
}

interface Struck {
  readonly tick: number;
  readonly length: number;
  readonly members: readonly PatternMember[];
  readonly grace?: boolean;
}

function eventsUpTo(pattern: Pattern, stretch: Stretch, to: number): Struck[] {
  const { beats, events } = pattern;
  const after = ticksAfter(pattern, stretch);
  const from = stretch.start - phaseAt(after(beats), stretch);
  const found: Struck[] = [];
  for (let count = 0; from + (count && after(count)) < to; count += beats)
    for (const { onset, length, members, grace } of events) {
      const tick = from + after(count + onset);
      if (tick >= stretch.start && tick < to)
        found.push({ tick, length: from + after(count + onset + length) - tick, members, grace });
    }
  return found;
}

/** Before a hold that comes within a beat there is time for the bass alone. */
function comingToRest(played: readonly Struck[], ticks: number): readonly Struck[] {
  return ticks > TICKS_PER_QUARTER
    ? played
    : played
        .filter(({ grace }) => !grace)
        .slice(0, 1)
        .map((first) => ({ ...first, length: ticks }));
}

/** A chord too short for the peak of its figure has the third in the place of its last fifth, where nothing else sounds it. */
function withThird(
  { peak }: FigureContext,
  { events }: Pattern,
  played: readonly Struck[],
): readonly Struck[] {
  const hasPeak = ({ members }: { readonly members: readonly PatternMember[] }): boolean =>
    members.includes('peak');
  if (peak === 8 || !events.some(hasPeak) || played.some(hasPeak)) return played;
  const last = played.findLastIndex(({ members }) => members.includes(5));
  return last < 0 ? played : played.with(last, { ...played[last], members: [3] });
}

/** Where a pattern of more than a bar stands when a bar of its chord begins; others begin anew with each bar. */
function phaseAt(cycle: number, { bar, start, firstBar }: Stretch): number {
  return cycle > bar.length && cycle !== Infinity && start === bar.tick ? (start - firstBar) % cycle : 0;
}

/** Where the figure of a part's last bar comes to rest: after its first strike in three, else half way, in uneven metres at the second group. */
function holdingFrom(pattern: Pattern, stretch: Stretch): number {
  const { bar, start, end } = stretch;
  const { metre } = bar;
  const halfway = middleTicks(metre) ?? (end - start) / 2;
  const isUneven = 2 * halfway !== barTicks(metre) && end - start === barTicks(metre);
  const rest = metre.numerator === 3 ? unitTicks(metre) : isUneven ? halfway : (end - start) / 2;
  const first = ticksAfter(pattern, stretch)(pattern.events[0]?.length ?? 0);
  return Math.min(end, start + Math.max(first, Math.round(rest)));
}
