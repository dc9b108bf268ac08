import { diatonicChords } from '../harmony';
import {
  classAbove,
  classNameOf,
  isModal,
  type Key,
  leadingSteps,
  modeSteps,
  parseChord,
  symbolOf,
} from '../music';

/** A chord on a degree of a key, by the interval from its tonic and its quality. */
export function onDegree({ tonic }: Key, interval: string, suffix: string): string {
  const chord = parseChord(`${classNameOf(classAbove(tonic, interval))}${suffix}`);
  return chord ? symbolOf(chord) : classNameOf(tonic);
}

/** The tonic chord: major or minor. */
export function tonicChord(key: Key): string {
  return symbolOf(diatonicChords(key, 'triads')[0]);
}

/** The chord on the fourth degree, as the key has it. */
export function fourthChord(key: Key): string {
  return symbolOf(diatonicChords(key, 'triads')[3]);
}

/** The chord that leads home: the dominant seventh, major in minor keys too; of a mode the one of its own cadence. */
export function dominant(key: Key): string {
  if (!isModal(key.mode)) return onDegree(key, '5P', '7');
  const [step] = leadingSteps(key.mode);
  return symbolOf(diatonicChords(key, 'triads')[modeSteps(key.mode).indexOf(step)]);
}
