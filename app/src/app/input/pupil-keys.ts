import { playAsPupil, STEADY, type WantedKey } from '@joined-hands/core/practice';
import { TimedKeys } from './key-sources';

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
const TRIES = 20;

/** A stand-in for somebody who practises at a share of the full tempo, so that listening can be tried without an instrument. */
export function pupilKeys(
  wanted: readonly WantedKey[],
  tempo: number,
  seed: number,
  isCareful: boolean,
): TimedKeys {
  const pupil = { ...STEADY, ...(isCareful ? {} : CARELESS), tempoFrom: tempo, tempoTo: tempo };
  // Who is careless slips at least once, however short it is.
  let playing = playAsPupil(wanted, { ...pupil, seed });
  for (let more = 1; !isCareful && playing.slips.length === 0 && more <= TRIES; more++)
    playing = playAsPupil(wanted, { ...pupil, seed: seed + 1000 * more });
  const { events } = playing;
  return new TimedKeys(events.map((event) => ({ ...event, seconds: event.seconds - BEFORE_SECONDS })));
}
