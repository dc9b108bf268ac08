import { arpeggioWarmUp, scaleWarmUp, type WarmUpNote } from '../fingering';
import type { Hand } from '../hands';
import { classNameOf, type Key, keyName, typeset } from '../music';

/** Something that warms a hand in a key. */
interface WarmUp {
  /** "A minor scale, right hand". */
  readonly name: string;
  readonly hand: Hand;
  readonly notes: readonly WarmUpNote[];
}

/** The scale and the broken tonic chord of a key, each hand by itself. */
export function warmUpsOf(key: Key): WarmUp[] {
  const name = typeset(keyName(key));
  return (['right', 'left'] as const).flatMap((hand) => [
    { name: `${name} scale, ${hand} hand`, hand, notes: scaleWarmUp(key, hand) },
    { name: `${name} broken chord, ${hand} hand`, hand, notes: arpeggioWarmUp(key, hand) },
  ]);
}

/** Its letters with their fingers: "A 1 · B 2 · C 3". */
export function warmUpInWords({ notes }: Pick<WarmUp, 'notes'>): string {
  return notes.map(({ pitch, finger }) => `${typeset(classNameOf(pitch))} ${finger}`).join(' · ');
}
