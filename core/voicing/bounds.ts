import { type Chord, KEYBOARDS, reachMm } from '../music';
import type { Memory } from '../memory';
import type { Profile } from '../song';
import { type Bounds, candidatesFor, thinnedCandidates } from './candidates';
import type { SolvedLayout } from './members';
import { NO_CONTEXT, type ShapeContext } from './shapes';
import type { Voicing } from './voicing';

/** A key sounding in the other hand. */
export interface Sounding {
  readonly tick: number;
  readonly length: number;
  readonly midi: number;
}

/** What had to give way at one chord; raising the melody of a part comes between the last two. */
export type Relaxation = 'thinned' | 'shortened' | 'crossing';

export interface Options {
  readonly candidates: readonly Voicing[];
  readonly relaxed: Relaxation | null;
  /** Ticks the chord may be held. */
  readonly length: number;
  /** It is thinned, and would have room whole if it were let go early. */
  readonly couldLetGo?: boolean;
}

/** Fewest notes a chord is thinned to before something else gives way. */
const FEWEST_NOTES = 2;
/** A chord is not let go sooner after it is struck than this, in ticks. */
export const SHORTEST_HOLD = 480;
/** Keys this near (half steps) at the same time leave no room for two hands. */
export const CROWDED = 1;

/** Left-hand bounds of a profile under a ceiling: every key lies below it. */
export function leftBounds(profile: Profile, ceiling: number): Bounds {
  const keyboard = KEYBOARDS[profile.keyboard];
  return {
    low: keyboard.low,
    high: Math.min(keyboard.high, ceiling - 1),
    reachMm: reachMm(profile.leftReach),
  };
}

/** Builds candidate lists, the same list once: songs come back to the same chord under the same ceiling. */
export class OptionFinder {
  private readonly lists;
  private readonly hand;

  constructor(
    private readonly profile: Profile,
    memory: Memory,
  ) {
    this.lists = memory.of<Voicing[]>('candidates');
    this.hand = [profile.leftReach, profile.keyboard];
  }

  /**
   * What a chord may be under the right-hand notes sounding with it (sorted by onset). Relaxes in order:
   * thin the chord, then shorten it to before the note in its way; the other way round where the pianist would rather
   * let it go early. Null: neither helps.
   */
  under(
    symbol: string,
    chord: Chord,
    layout: SolvedLayout,
    length: number,
    notes: readonly Sounding[],
    tick: number,
    context: ShapeContext = NO_CONTEXT,
    letsGo = false,
  ): Options | null {
    const ceilings = ceilingsOf(notes, tick, length);
    const lowest = ceilings[ceilings.length - 1].ceiling;
    const wholeUnder = (ceiling: number): Voicing[] =>
      this.candidates(symbol, chord, layout, ceiling, context);
    const thinUnder = (ceiling: number): Voicing[] =>
      this.thinned(symbol, chord, layout, ceiling, FEWEST_NOTES, context);
    const whole = wholeUnder(lowest);
    if (whole.length > 0) return { candidates: whole, relaxed: null, length };
    const thinned = thinUnder(lowest);
    if (thinned.length > 0) {
      const early = letGoEarly(ceilings, tick, wholeUnder);
      return early && letsGo
        ? early
        : { candidates: thinned, relaxed: 'thinned', length, couldLetGo: early !== null };
    }
    return letGoEarly(ceilings, tick, (ceiling) => {
      const all = wholeUnder(ceiling);
      return all.length > 0 ? all : thinUnder(ceiling);
    });
  }

  /** Every voicing the hand and keyboard allow, whatever the right hand does. */
  crossing(
    symbol: string,
    chord: Chord,
    layout: SolvedLayout,
    length: number,
    context: ShapeContext = NO_CONTEXT,
  ): Options {
    const whole = this.candidates(symbol, chord, layout, 128, context);
    const candidates = whole.length > 0 ? whole : this.thinned(symbol, chord, layout, 128, 1, context);
    return { candidates, relaxed: 'crossing', length };
  }

  private candidates(
    symbol: string,
    chord: Chord,
    layout: SolvedLayout,
    ceiling: number,
    context: ShapeContext,
  ): Voicing[] {
    return this.lists(`${symbol}|${layout}|${ceiling}|${nameOf(layout, context)}`, this.hand, () =>
      candidatesFor(chord, layout, leftBounds(this.profile, ceiling), context),
    );
  }

  private thinned(
    symbol: string,
    chord: Chord,
    layout: SolvedLayout,
    ceiling: number,
    fewest: number,
    context: ShapeContext,
  ): Voicing[] {
    return this.lists(`${symbol}|${layout}|${ceiling}|${nameOf(layout, context)}|${fewest}`, this.hand, () =>
      thinnedCandidates(chord, layout, leftBounds(this.profile, ceiling), fewest, context),
    );
  }
}

/** What of a context a layout depends on, as a name. */
function nameOf(layout: SolvedLayout, { scale, melody }: ShapeContext): string {
  if (layout === 'shell') return String(melody);
  return layout === 'rootless' && scale ? [...scale].sort((a, b) => a - b).join() : '';
}

/** What there is room for until the melody comes down onto it, held as long as possible; null where too short. */
function letGoEarly(
  ceilings: readonly Ceiling[],
  tick: number,
  under: (ceiling: number) => Voicing[],
): Options | null {
  for (let i = ceilings.length - 2; i >= 0; i--) {
    const length = ceilings[i + 1].from - tick;
    if (length < SHORTEST_HOLD) return null;
    const candidates = under(ceilings[i].ceiling);
    if (candidates.length > 0) return { candidates, relaxed: 'shortened', length };
  }
  return null;
}

interface Ceiling {
  /** From this tick on a lower ceiling holds. */
  readonly from: number;
  readonly ceiling: number;
}

/** How the ceiling sinks while a chord is held: each entry from the onset of a note lower than all before. */
function ceilingsOf(notes: readonly Sounding[], tick: number, length: number): Ceiling[] {
  const list: Ceiling[] = [{ from: tick, ceiling: 128 }];
  for (const note of notes) {
    if (note.tick >= tick + length || note.tick + note.length <= tick) continue;
    const last = list[list.length - 1];
    if (note.midi >= last.ceiling) continue;
    const from = Math.max(note.tick, tick);
    if (from === last.from) list[list.length - 1] = { from, ceiling: note.midi };
    else list.push({ from, ceiling: note.midi });
  }
  return list;
}

/** The notes that overlap a stretch of time, from a list sorted by onset. */
export function soundingIn(
  notes: readonly Sounding[],
  from: number,
  to: number,
  longest: number,
): Sounding[] {
  const found: Sounding[] = [];
  for (let i = firstAtOrAfter(notes, from - longest); i < notes.length && notes[i].tick < to; i++) {
    if (notes[i].tick + notes[i].length > from) found.push(notes[i]);
  }
  return found;
}

function firstAtOrAfter(notes: readonly Sounding[], tick: number): number {
  let low = 0;
  let high = notes.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (notes[middle].tick < tick) low = middle + 1;
    else high = middle;
  }
  return low;
}
