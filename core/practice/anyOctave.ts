import type { KeyEvent } from '../takes';
import type { WantedKey } from './wanted';
import { Whereabouts } from './whereabouts';

const OCTAVE = 12;

/**
 * Puts keys that were pressed in any octave where they are wanted: for what has too few keys for two hands, as a computer's
 * keyboard. A note stands for all keys of its name that are wanted at the moment it comes.
 */
export class AnyOctave {
  private readonly where: Whereabouts;

  /** `pace`: how many seconds a second of the music is expected to take. */
  constructor(wanted: readonly WantedKey[], pace = 1) {
    this.where = new Whereabouts(wanted, pace, true);
  }

  /** The keys a pressed one stands for; where its name is not wanted, itself in the octave of what comes next. */
  keysFor(event: KeyEvent): readonly number[] {
    this.where.hear(event);
    const { reached, moments } = this.where;
    const meant = moments[reached]?.keys.filter((midi) => (midi - event.midi) % OCTAVE === 0) ?? [];
    if (meant.length > 0) return meant;
    const next = (moments[reached + 1] ?? moments[reached])?.keys.at(-1) ?? event.midi;
    return [event.midi + OCTAVE * Math.round((next - event.midi) / OCTAVE)];
  }
}
