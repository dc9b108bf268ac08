import { classAbove, type Key, symbolOf, parseChord, classNameOf } from '../music';

/** A chord on a degree of a key, by the interval from its tonic and its quality. */
export function onDegree({ tonic }: Key, interval: string, suffix: string): string {
  const chord = parseChord(`${classNameOf(classAbove(tonic, interval))}${suffix}`);
  return chord ? symbolOf(chord) : classNameOf(tonic);
}

/** The tonic chord: major or minor. */
export function tonicChord(key: Key): string {
  return onDegree(key, '1P', key.mode === 'minor' ? 'm' : '');
}

/** The dominant seventh, major in minor keys too. */
export function dominant(key: Key): string {
  return onDegree(key, '5P', '7');
}
