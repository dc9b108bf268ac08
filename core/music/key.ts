import { hasMinorThird, type Mode, modeFifths, modeScale } from './mode';
import { chroma, classAbove, classNameOf, type Pitch, pitchAt, type PitchClass } from './pitch';

export interface Key {
  readonly tonic: PitchClass;
  readonly mode: Mode;
}

/** Chromatic degrees between the scale steps, spelled as they usually resolve (common practice). */
const CHROMATIC_MAJOR = ['2m', '3m', '4A', '6m', '7m', '5A', '2A', '1A', '4P', '7M'] as const;
const CHROMATIC_MINOR = ['7M', '6M', '2m', '4A', '3M', '6m', '2M', '5P'] as const;

const FIFTHS_LETTERS = 'FCGDAEB';

/** Accidentals of the signature: −7 (flats) … 7 (sharps). `fifthsOf(E♭ major) // => -3` */
export function fifthsOf(key: Key): number {
  const major = FIFTHS_LETTERS.indexOf(key.tonic.letter) - 1 + 7 * key.tonic.alter;
  return major + modeFifths(key.mode);
}

/** The key with the given number of sharps (or, negative, flats), −7 … 7. */
export function keyFromFifths(fifths: number, mode: Mode): Key {
  const place = fifths - modeFifths(mode) + 1;
  const letter = FIFTHS_LETTERS[((place % 7) + 7) % 7] as PitchClass['letter'];
  return { tonic: { letter, alter: Math.floor(place / 7) }, mode };
}

/** A key that has no signature (G♯ major: eight sharps) by the name that has one (A♭ major); any other as it is. */
export function withSignature(key: Key): Key {
  const fifths = fifthsOf(key);
  return Math.abs(fifths) <= 7 ? key : keyFromFifths(fifths - 12 * Math.round(fifths / 12), key.mode);
}

const scales = new Map<string, readonly PitchClass[]>();

/** The seven notes of the key as its signature gives them (of minor the natural ones). */
export function scaleOf(key: Key): readonly PitchClass[] {
  return remembered(scales, key, () =>
    modeScale(key.mode).map((interval) => classAbove(key.tonic, interval)),
  );
}

const spellings = new Map<string, readonly PitchClass[]>();

/** A key number spelled as the key asks: scale notes first, then the usual chromatic degree. */
export function spellInKey(midi: number, key: Key): Pitch {
  const table = remembered(spellings, key, () => {
    const byChroma: PitchClass[] = [];
    const extra = hasMinorThird(key.mode) ? CHROMATIC_MINOR : CHROMATIC_MAJOR;
    const candidates = [...scaleOf(key), ...extra.map((interval) => classAbove(key.tonic, interval))];
    for (const candidate of candidates) byChroma[chroma(candidate)] ??= candidate;
    return byChroma;
  });
  return pitchAt(midi, table[((midi % 12) + 12) % 12]);
}

/** "A minor", "Bb major", "D dorian". */
export function keyName(key: Key): string {
  return `${classNameOf(key.tonic)} ${key.mode}`;
}

function remembered<T>(store: Map<string, T>, key: Key, make: () => T): T {
  const name = keyName(key);
  let value = store.get(name);
  if (value === undefined) store.set(name, (value = make()));
  return value;
}
