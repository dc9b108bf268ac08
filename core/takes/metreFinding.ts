import { because, type Phrase } from '../sentences';
import {
  barTicks,
  type Metre,
  metreInFull,
  METRES,
  placeAt,
  TICKS_PER_QUARTER,
  TICKS_PER_WHOLE,
  unitTicks,
} from '../music';
import { type MelodyNote, type Song } from '../song';

export interface FoundMetre {
  readonly metre: Metre;
  /** Ticks before the first bar line. */
  readonly pickup: number;
  /** Higher fits better. */
  readonly fit: number;
  readonly reason: Phrase;
}

/** How common a metre is, as a head start; others must be spoken for. Source: counts in song collections, rounded. */
const HEAD_START: Record<string, number> = {
  '4/4': 0.2,
  '3/4': 0.1,
  '2/4': 0,
  '6/8': 0.1,
  '9/8': 0,
  '12/8': 0,
  '3/8': -0.1,
  '2/2': 0,
  '6/4': -0.1,
};
const RARE = -0.2;
/** A pick-up must earn its place, a long one more so: this much, and as much again as it fills of the bar. */
const PICKUP_COST = 0.04;
const LONG_PICKUP_COST = 0.3;
/** What each standard deviation above chance is worth in which long notes fall on strong places. */
const STRONG_PLACES = 0.5;
/** Chords change on bar lines, and the last note falls on one. */
const CHORDS_ON_BAR_LINES = 1.2;
const ENDS_ON_BAR_LINE = 0.1;
const REPEATED_BAR = 0.5;
/** So large a share of bars with a rhythm of before is worth a word. */
const OFTEN_BACK = 0.3;
/** A tune in eighths in threes strikes between the quarters; one that hardly does is not in 6/8. */
const NO_EIGHTHS_COST = 0.3;
const FEW = 0.12;

/**
 * Metres with pick-ups a melody could have, the likeliest first: long notes and leaps belong on strong places
 * (Lerdahl and Jackendoff 1983, metrical preference rules 3 and 5), and rhythms come back bar by bar.
 */
export function findMetres(melody: readonly MelodyNote[], changes: Song['changes'] = []): FoundMetre[] {
  const notes = melody.filter((note) => !note.grace);
  if (notes.length === 0) return [];
  const betweenQuarters = notes.filter((n) => (n.tick - notes[0].tick) % TICKS_PER_QUARTER !== 0).length;
  const lastTick = notes[notes.length - 1].tick;
  const plain = betweenQuarters < FEW * notes.length ? NO_EIGHTHS_COST : 0;
  const grid = gridOf(notes);
  const found = METRES.flatMap((metre) => {
    const unit = Math.min(unitTicks(metre), TICKS_PER_QUARTER / 2);
    const offsets = Array.from({ length: barTicks(metre) / unit }, (_, i) => i * unit);
    return offsets.map((pickup): FoundMetre => {
      const [weight, repeats] = [
        STRONG_PLACES * onStrongPlaces(notes, metre, pickup, grid),
        rhythmReturns(notes, metre, pickup),
      ];
      const ends = (lastTick - pickup) % barTicks(metre) === 0 ? ENDS_ON_BAR_LINE : 0;
      const chords = shareOnBarLines(changes, metre, pickup);
      const fit =
        weight +
        CHORDS_ON_BAR_LINES * chords +
        REPEATED_BAR * repeats * Math.sqrt(barTicks(metre) / TICKS_PER_WHOLE) +
        ends +
        (HEAD_START[metreInFull(metre)] ?? RARE) -
        (pickup > 0 ? PICKUP_COST + (LONG_PICKUP_COST * pickup) / barTicks(metre) : 0) -
        (metre.denominator === 8 ? plain : 0);
      const reason = because.longNotesOnStrongBeats(repeats > OFTEN_BACK);
      return { metre, pickup, fit, reason };
    });
  });
  return found.sort((a, b) => b.fit - a.fit);
}

/**
 * How far the places of notes, weighed by their length up to a half note, are stronger than the places of the metre a tune
 * could use, in standard deviations of these.
 */
function onStrongPlaces(notes: readonly MelodyNote[], metre: Metre, pickup: number, grid: number): number {
  let [got, all] = [0, 0];
  for (const note of notes) {
    const weight = Math.min(note.length, 2 * TICKS_PER_QUARTER) ** 1.5;
    got += weight * placeAt(metre, note.tick - pickup).strength;
    all += weight;
  }
  const places = Array.from(
    { length: barTicks(metre) / grid },
    (_, i) => placeAt(metre, i * grid).strength as number,
  );
  const mean = places.reduce((sum, strength) => sum + strength, 0) / places.length;
  const spread = Math.sqrt(places.reduce((sum, strength) => sum + (strength - mean) ** 2, 0) / places.length);
  return all === 0 || spread === 0 ? 0 : (got / all - mean) / spread;
}

/** Places a tune uses: eighths, or sixteenths where it often strikes between them. */
function gridOf(notes: readonly MelodyNote[]): number {
  const [{ tick: first }] = notes;
  const between = notes.filter(({ tick }) => (tick - first) % (TICKS_PER_QUARTER / 2) !== 0).length;
  return between > FEW * notes.length ? TICKS_PER_QUARTER / 4 : TICKS_PER_QUARTER / 2;
}

/** Share of bar lines on which a chord changes, and of changes that stand on one; 0 without chords. */
function shareOnBarLines(changes: Song['changes'], metre: Metre, pickup: number): number {
  if (changes.length === 0) return 0;
  const whole = barTicks(metre);
  const on = changes.filter((change) => (change.tick - pickup) % whole === 0).length;
  const bars = Math.max(1, (changes[changes.length - 1].tick - pickup) / whole + 1);
  return on / changes.length / 2 + Math.min(1, on / bars) / 2;
}

/** Share of bars whose rhythm stood one or two bars before, 0 … 1. */
function rhythmReturns(notes: readonly MelodyNote[], metre: Metre, pickup: number): number {
  const whole = barTicks(metre);
  const bars: string[] = [];
  for (const note of notes) {
    const bar = Math.floor((note.tick - pickup) / whole) + 1;
    bars[bar] = `${bars[bar] ?? ''} ${placeAt(metre, note.tick - pickup).offset}`;
  }
  const filled = bars.filter(Boolean).length;
  const back = bars.filter((bar, i) => bar && i > 0 && (bar === bars[i - 1] || bar === bars[i - 2])).length;
  return filled < 2 ? 0 : back / (filled - 1);
}
