import { gotOrMade } from '../memory';
import { type Chord, chroma, isModal, type Key, membersOf, scaleOf } from '../music';

/** The steps of a key as chromas. */
export function scaleChromas(key: Key): ReadonlySet<number> {
  return gotOrMade(scales, scaleOf(key), () => new Set(scaleOf(key).map(chroma)));
}

/** By the list of steps a key is remembered with. */
const scales = new WeakMap<object, ReadonlySet<number>>();
const ofChords = new WeakMap<Chord, Map<object, ReadonlySet<number>>>();

/**
 * The scale a chord is played in: the key's, a note of the chord that is foreign to it in the place of the key's note of the
 * same letter (C♯ for C under A7). Over the dominant of a minor key the sixth below its root is raised with the seventh.
 */
export function chordScale(chord: Chord, key: Key): ReadonlySet<number> {
  const known = gotOrMade(ofChords, chord, () => new Map<object, ReadonlySet<number>>());
  return gotOrMade(known, scaleOf(key), () => scaleOver(chord, key));
}

function scaleOver(chord: Chord, key: Key): ReadonlySet<number> {
  const steps = new Map(scaleOf(key).map((step) => [step.letter, chroma(step)]));
  for (const { pitchClass } of membersOf(chord)) steps.set(pitchClass.letter, chroma(pitchClass));
  const scale = new Set(steps.values());
  const tonic = chroma(key.tonic);
  const leads = (tonic + 11) % 12;
  if (
    !isModal(key.mode) &&
    key.mode === 'minor' &&
    scale.has(leads) &&
    !membersOf(chord).some((m) => m.chroma === (tonic + 8) % 12)
  ) {
    scale.delete((tonic + 8) % 12);
    scale.add((tonic + 9) % 12);
  }
  return scale;
}
