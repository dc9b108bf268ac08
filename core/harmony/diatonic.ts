import { type Chord, type Key, scaleOf, typeOfSuffix } from '../music';

/** Qualities on the seven degrees; in minor V is major, with the raised leading note (common practice). */
const QUALITIES: Record<Key['mode'], Record<'triads' | 'sevenths', readonly string[]>> = {
  major: {
    triads: ['', 'm', 'm', '', '', 'm', 'dim'],
    sevenths: ['maj7', 'm7', 'm7', 'maj7', '7', 'm7', 'm7b5'],
  },
  minor: {
    triads: ['m', 'dim', '', 'm', '', '', ''],
    sevenths: ['m7', 'm7b5', 'maj7', 'm7', '7', 'maj7', '7'],
  },
};

/** The seven chords of a key. `diatonicChords(C major, 'sevenths') // => Cmaj7 Dm7 Em7 Fmaj7 G7 Am7 Bm7♭5` */
export function diatonicChords(key: Key, kind: 'triads' | 'sevenths'): Chord[] {
  return QUALITIES[key.mode][kind].map((suffix, i) => {
    const type = typeOfSuffix(suffix);
    if (!type) throw new RangeError(`There is no chord type "${suffix}".`);
    return { root: scaleOf(key)[i], type, bass: null };
  });
}
