import { isBlack } from '../music';
import { normalFrom, seeded } from '../chance';

/** A key going down or up on a device, in seconds from the first click. */
export interface KeyEvent {
  readonly seconds: number;
  readonly midi: number;
  /** 0 lets the key go. */
  readonly velocity: number;
}

/** How hard a key is taken to be struck where that is not known: neither soft nor loud. */
export const USUAL_VELOCITY = 76;

/** A tune as the simulated pianist is given it, in beats from the first click. */
export interface TuneKey {
  readonly beat: number;
  readonly beats: number;
  readonly midi: number;
}

export interface Mistake {
  readonly kind: 'wrong-key' | 'left-out' | 'struck-twice';
  /** Index of the note in the tune. */
  readonly note: number;
}

interface SimulatedPlaying {
  readonly quartersPerMinute: number;
  /** Chance is repeatable: the same seed plays the same. */
  readonly seed: number;
  /** One standard deviation of a strike's time, in seconds. */
  readonly spreadSeconds: number;
  /** Seconds every strike comes late. */
  readonly lateSeconds: number;
  readonly mistakes: readonly Mistake[];
}

const HELD_SHARE = 0.92;

/**
 * A stand-in for a player at a keyboard: strikes a tune with human timing (normal spread, seeded) and the mistakes
 * asked for. Keys are let go a little before their time, as hands do.
 */
export function playSimulated(tune: readonly TuneKey[], options: SimulatedPlaying): KeyEvent[] {
  const chance = normalFrom(seeded(options.seed));
  const perBeat = 60 / options.quartersPerMinute;
  const events: KeyEvent[] = [];
  tune.forEach((key, index) => {
    const strays = chance() * options.spreadSeconds + options.lateSeconds;
    const mistake = options.mistakes.find((m) => m.note === index)?.kind;
    if (mistake === 'left-out') return;
    const seconds = Math.max(0, key.beat * perBeat + strays);
    const length = Math.max(0.04, key.beats * perBeat * HELD_SHARE + (chance() * options.spreadSeconds) / 2);
    const midi = mistake === 'wrong-key' ? neighbour(key.midi) : key.midi;
    const velocity = Math.round(Math.min(110, Math.max(40, USUAL_VELOCITY + 8 * chance())));
    const press = (at: number, held: number): void => {
      events.push({ seconds: at, midi, velocity }, { seconds: at + held, midi, velocity: 0 });
    };
    if (mistake === 'struck-twice') {
      press(seconds, length * 0.4);
      press(seconds + length * 0.5, length * 0.5);
    } else press(seconds, length);
  });
  return events.sort((a, b) => a.seconds - b.seconds || a.velocity - b.velocity);
}

/** The next white key above, or for a black key the white one. */
function neighbour(midi: number): number {
  return isBlack(midi + 1) ? midi + 2 : midi + 1;
}
