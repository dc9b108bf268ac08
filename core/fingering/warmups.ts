import type { Hand } from '../hands';
import { chroma, classAbove, type Key, midiOf, type Pitch, pitchAt, scaleOf } from '../music';
import { arpeggioOver, scaleOver } from './tables';

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
  const fingers = scaleOver(key.mode, chroma(key.tonic), hand);
  return upwards([...classes, key.tonic], hand, fingers);
}

/** The tonic triad of a key broken over one octave, with its standard fingering. */
export function arpeggioWarmUp(key: Key, hand: Hand): WarmUpNote[] {
  const third = classAbove(key.tonic, key.mode === 'major' ? '3M' : '3m');
  const fifth = classAbove(key.tonic, '5P');
  const fingers = arpeggioOver(key.mode, chroma(key.tonic), hand);
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
