import { spellInKey, nameOf, keyFromFifths, typeset } from '../music';

/** Who hears a C as low and as high as this hears all that both hands play. */
const [LOW_C, HIGH_C] = [36, 84];
const C_MAJOR = keyFromFifths(0, 'major');

/** What was heard of the lowest C and the highest, which are played to try a microphone, and what to do. */
export function triedInWords(keys: readonly number[]): string {
  if (keys.length === 0) return 'Nothing has been heard yet.';
  const cs = keys.filter((key) => key % 12 === 0);
  const [isLow, isHigh] = [cs.some((key) => key <= LOW_C), cs.some((key) => key >= HIGH_C)];
  const last = typeset(nameOf(spellInKey(keys[keys.length - 1], C_MAJOR)));
  if (isLow && isHigh) return 'Both ends of the keyboard are heard: you can play.';
  if (isLow) return `Heard: ${last}. Now the highest C.`;
  if (isHigh)
    return `Heard: ${last}. Now the lowest C. If it does not appear here, put the microphone nearer to the bass.`;
  return `Heard: ${last}. If you struck another key, put the microphone nearer to the piano.`;
}
