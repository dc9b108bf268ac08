import type { Hand } from '../hands';
import {
  chroma,
  classAbove,
  fifthsOf,
  hasMinorThird,
  isBlack,
  isModal,
  type Key,
  keyFromFifths,
  midiOf,
  type Pitch,
  pitchAt,
  type PitchClass,
  scaleOf,
} from '../music';
import { arpeggioOver, overOctaves, scaleOver, type Third } from './tables';

/** One note of a warm-up. */
export interface WarmUpNote {
  readonly pitch: Pitch;
  readonly midi: number;
  readonly finger: number;
}

/** Lowest tonic of a warm-up: the right hand from middle C up, the left an octave lower. */
const FROM: Record<Hand, number> = { right: 60, left: 48 };

/** The scale of a key, one octave up, with its standard fingering; minor with the raised leading note. */
export function scaleWarmUp(key: Key, hand: Hand): WarmUpNote[] {
  const classes = scaleOf(key).map((c, i) =>
    key.mode === 'minor' && i === 6 ? classAbove(key.tonic, '7M') : c,
  );
  return upwards([...classes, key.tonic], hand, scaleFingersOf(key, classes, hand));
}

function thirdOf({ mode }: Key): Third {
  return hasMinorThird(mode) ? 'minor' : 'major';
}

/**
 * The fingers of major or minor on the same tonic; a mode whose scale would put a thumb on a black key by them takes those
 * of the major scale with its signature, which has the same keys.
 */
function scaleFingersOf(key: Key, classes: readonly PitchClass[], hand: Hand): string {
  const own = scaleOver(thirdOf(key), chroma(key.tonic), hand);
  const isEasy = [...own].every((finger, i) => finger !== '1' || !isBlack(chroma(classes[i % 7])));
  if (isEasy || !isModal(key.mode)) return own;
  const parent = keyFromFifths(fifthsOf(key), 'major');
  const from = scaleOf(parent).findIndex((c) => chroma(c) === chroma(key.tonic));
  const cycle = overOctaves(scaleOver('major', chroma(parent.tonic), hand)).inside;
  return Array.from({ length: 8 }, (_, i) => cycle[(from + i) % 7]).join('');
}

/** The tonic triad of a key broken over one octave, with its standard fingering. */
export function arpeggioWarmUp(key: Key, hand: Hand): WarmUpNote[] {
  const third = classAbove(key.tonic, hasMinorThird(key.mode) ? '3m' : '3M');
  const fifth = classAbove(key.tonic, '5P');
  const fingers = arpeggioOver(thirdOf(key), chroma(key.tonic), hand);
  return upwards([key.tonic, third, fifth, key.tonic], hand, fingers);
}

function upwards(
  classes: readonly Parameters<typeof chroma>[0][],
  hand: Hand,
  fingers: string,
): WarmUpNote[] {
  let midi = FROM[hand] - 1;
  return classes.map((wanted, i) => {
    do midi++;
    while (midi % 12 !== chroma(wanted));
    const pitch = pitchAt(midi, wanted);
    return { pitch, midi: midiOf(pitch), finger: Number(fingers[i]) };
  });
}
