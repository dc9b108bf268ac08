import { chroma } from '../music';
import { gotOrMade } from '../memory';
import { keyAt, type PlayedSong } from '../song';

/** Half steps of the blue notes above the tonic: third, fifth and seventh lowered. */
export const BLUE_NOTES: readonly number[] = [3, 6, 10];
const THIRD = 4;
/** So much of the tune's time on lowered thirds and sevenths, and a lowered third so often beside the major one. */
const SHARE = 0.06;
const TIMES = 2;
/** Notes from one to the other. */
const NEAR = 2;

const known = new WeakMap<PlayedSong['melody'], boolean>();

/**
 * Whether a tune in major is a blues: it slides between lowered and major third, and stays on blue notes for a while. Source:
 * common practice of the style.
 */
export function isBlues(played: PlayedSong): boolean {
  const key = keyAt(played, 0);
  if (key.mode !== 'major') return false;
  return gotOrMade(known, played.melody, () => {
    const tonic = chroma(key.tonic);
    const steps = played.melody.map(({ midi }) => (((midi - tonic) % 12) + 12) % 12);
    const timeOn = (wanted: readonly number[]): number =>
      played.melody.reduce((sum, { length }, i) => sum + (wanted.includes(steps[i]) ? length : 0), 0);
    const slides = steps.filter(
      (step, i) => step === BLUE_NOTES[0] && steps.slice(Math.max(0, i - NEAR), i + NEAR + 1).includes(THIRD),
    );
    return slides.length >= TIMES && timeOn([3, 10]) >= SHARE * timeOn([...steps]);
  });
}
