import type { Hand } from '../hands';
import { chroma, classAbove, isBlack, type Key, midiOf, type Pitch, pitchAt, scaleOf } from '../music';

/** One note of a warm-up. */
export interface WarmUpNote {
  readonly pitch: Pitch;
  readonly midi: number;
  readonly finger: number;
}

type Fingers = readonly [right: string, left: string];

/**
 * Standard fingerings of the scales of one octave upwards, by the chroma of the tonic; source: the scale fingerings
 * printed in piano methods for two centuries. Minor is harmonic minor.
 */
const SCALES: Record<Key['mode'], Record<number, Fingers>> = {
  major: {
    1: ['23123412', '32143213'],
    3: ['31234123', '32143213'],
    5: ['12341234', '54321321'],
    6: ['23412312', '43213214'],
    8: ['34123123', '32143213'],
    10: ['41231234', '32143213'],
    11: ['12312345', '43214321'],
  },
  minor: {
    1: ['34123123', '32143213'],
    3: ['31234123', '21432132'],
    5: ['12341234', '54321321'],
    6: ['34123123', '43213214'],
    8: ['34123123', '32143213'],
    10: ['41231234', '21321432'],
    11: ['12312345', '43214321'],
  },
};
const WHITE_SCALE: Fingers = ['12312345', '54321321'];

/** The same for triads broken over one octave. */
const ARPEGGIOS: Record<Key['mode'], Record<number, Fingers>> = {
  major: {
    1: ['4124', '2142'],
    3: ['4124', '2142'],
    6: ['1235', '5321'],
    8: ['4124', '2142'],
    10: ['4124', '3213'],
  },
  minor: {
    1: ['4124', '2142'],
    3: ['1235', '5421'],
    6: ['4124', '2142'],
    8: ['4124', '2142'],
    10: ['2312', '3213'],
  },
};

/** Lowest tonic of a warm-up: the right hand from middle C up, the left an octave lower. */
const FROM: Record<Hand, number> = { right: 60, left: 48 };

/** The scale of a key, one octave up, with its standard fingering; minor with the raised leading note. */
export function scaleWarmUp(key: Key, hand: Hand): WarmUpNote[] {
  const classes = scaleOf(key).map((c, i) =>
    key.mode === 'minor' && i === 6 ? classAbove(key.tonic, '7M') : c,
  );
  const fingers = (SCALES[key.mode][chroma(key.tonic)] ?? WHITE_SCALE)[hand === 'right' ? 0 : 1];
  return upwards([...classes, key.tonic], hand, fingers);
}

/** The tonic triad of a key broken over one octave, with its standard fingering. */
export function arpeggioWarmUp(key: Key, hand: Hand): WarmUpNote[] {
  const third = classAbove(key.tonic, key.mode === 'major' ? '3M' : '3m');
  const fifth = classAbove(key.tonic, '5P');
  const white: Fingers = ['1235', isBlack(chroma(third)) ? '5321' : '5421'];
  const fingers = (ARPEGGIOS[key.mode][chroma(key.tonic)] ?? white)[hand === 'right' ? 0 : 1];
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
