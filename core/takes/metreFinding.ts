import { barTicks, beatTicks, type Metre, metricStrength } from '../music';
import { type MelodyNote, type Song } from '../song';

export interface FoundMetre {
  readonly metre: Metre;
  /** Ticks before the first bar line. */
  readonly pickup: number;
  /** Higher fits better. */
  readonly fit: number;
  readonly reason: string;
}

const METRES: readonly Metre[] = [
  { numerator: 4, denominator: 4 },
  { numerator: 3, denominator: 4 },
  { numerator: 2, denominator: 4 },
  { numerator: 6, denominator: 8 },
];
/** How common a metre is, as a head start; source: counts in song collections, rounded. */
const HEAD_START: Record<string, number> = { '4/4': 0.2, '3/4': 0.1, '2/4': 0, '6/8': 0.1 };
/** A pick-up must earn its place, a long one more so: this much, and as much again as it fills of the bar. */
const PICKUP_COST = 0.04;
const LONG_PICKUP_COST = 0.3;
/** Chords change on bar lines, and the last note falls on one. */
const CHORDS_ON_BAR_LINES = 1.2;
const ENDS_ON_BAR_LINE = 0.1;
const REPEATED_BAR = 0.5;
/** A tune in eighths in threes strikes between the quarters; one that hardly does is not in 6/8. */
const NO_EIGHTHS_COST = 0.3;
const FEW_EIGHTHS = 0.12;

/**
 * Metres with pick-ups a melody could have, the likeliest first: long notes and leaps belong on strong places
 * (Lerdahl and Jackendoff 1983, metrical preference rules 3 and 5), and rhythms come back bar by bar.
 */
export function findMetres(melody: readonly MelodyNote[], changes: Song['changes'] = []): FoundMetre[] {
  const notes = melody.filter((note) => !note.grace);
  if (notes.length === 0) return [];
  const betweenQuarters = notes.filter((n) => (((n.tick - notes[0].tick) % 960) + 960) % 960 !== 0).length;
  const lastTick = notes[notes.length - 1].tick;
  const plain = betweenQuarters < FEW_EIGHTHS * notes.length ? NO_EIGHTHS_COST : 0;
  const found = METRES.flatMap((metre) => {
    const unit = metre.denominator === 8 ? 480 : 960;
    const offsets = Array.from({ length: barTicks(metre) / unit }, (_, i) => i * unit);
    return offsets.map((pickup): FoundMetre => {
      const [weight, repeats] = [onStrongPlaces(notes, metre, pickup), rhythmReturns(notes, metre, pickup)];
      const name = `${metre.numerator}/${metre.denominator}`;
      const ends = (lastTick - pickup) % barTicks(metre) === 0 ? ENDS_ON_BAR_LINE : 0;
      const chords = shareOnBarLines(changes, metre, pickup);
      const fit =
        weight +
        CHORDS_ON_BAR_LINES * chords +
        REPEATED_BAR * repeats * Math.sqrt(barTicks(metre) / 3840) +
        ends +
        HEAD_START[name] -
        (pickup > 0 ? PICKUP_COST + (LONG_PICKUP_COST * pickup) / barTicks(metre) : 0) -
        (metre.denominator === 8 ? plain : 0);
      const reason = `long notes fall on strong beats more often than chance${
        repeats > 0.3 ? ', and the rhythm comes back bar by bar' : ''
      }`;
      return { metre, pickup, fit, reason };
    });
  });
  return found.sort((a, b) => b.fit - a.fit);
}

/**
 * How much more of the weight of notes (their length, up to a half note) falls on strong places than chance would
 * put there; 0 chance, 1 all of it on downbeats.
 */
function onStrongPlaces(notes: readonly MelodyNote[], metre: Metre, pickup: number): number {
  const whole = barTicks(metre);
  let [got, most] = [0, 0];
  for (const note of notes) {
    const weight = Math.min(note.length, 1920) ** 1.5;
    const offset = (((note.tick - pickup) % whole) + whole) % whole;
    got += weight * metricStrength(offset, metre);
    most += weight * 4;
  }
  const unit = beatTicks(metre);
  const places = Array.from({ length: whole / unit }, (_, i) => metricStrength(i * unit, metre));
  const chance = places.reduce((sum, strength) => sum + strength, 0) / (4 * places.length);
  return most === 0 ? 0 : (got / most - chance) / (1 - chance);
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
    bars[bar] = `${bars[bar] ?? ''} ${(((note.tick - pickup) % whole) + whole) % whole}`;
  }
  const filled = bars.filter(Boolean).length;
  const back = bars.filter((bar, i) => bar && i > 0 && (bar === bars[i - 1] || bar === bars[i - 2])).length;
  return filled < 2 ? 0 : back / (filled - 1);
}
