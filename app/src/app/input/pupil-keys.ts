import { playAsPupil, STEADY, type WantedKey } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import type { KeySource } from './recorder';

/** How a careless pupil plays: so many keys wrong, left out or too many, and the left hand late. */
const CARELESS = {
  wrong: 0.06,
  missed: 0.05,
  extra: 0.03,
  restarts: 0,
  leftLate: 0.05,
  spreadSeconds: 0.025,
};
/** A pupil plays from a second after it is asked. */
const BEFORE_SECONDS = 1;

/** A stand-in for somebody who practises, so that listening can be tried without an instrument. */
export class PupilKeys implements KeySource {
  private timers: number[] = [];

  constructor(
    private readonly wanted: readonly WantedKey[],
    /** Share of the goal tempo. */
    private readonly tempo: number,
    private readonly seed: number,
    private readonly isCareful: boolean,
  ) {}

  start(press: (event: KeyEvent) => void, now: () => number): void {
    const { tempo, seed, isCareful } = this;
    const pupil = { ...STEADY, ...(isCareful ? {} : CARELESS), seed, tempoFrom: tempo, tempoTo: tempo };
    for (const event of playAsPupil(this.wanted, pupil).events) {
      const seconds = event.seconds - BEFORE_SECONDS;
      // Its own clock tells when the key went down, as a MIDI device's does.
      this.timers.push(
        window.setTimeout(() => press({ ...event, seconds }), Math.max(0, seconds - now()) * 1000),
      );
    }
  }

  stop(): void {
    for (const timer of this.timers) clearTimeout(timer);
    this.timers = [];
  }
}
