import { midiOf, parsePitch } from '@joined-hands/core/music';
import type * as ToneModule from 'tone';

type Tone = typeof ToneModule;
type ToneKey = Parameters<ToneModule.Sampler['add']>[0];

/** What strikes and silences keys. */
export interface Instrument {
  /** Loads what these keys sound with; where nothing needs to be loaded there is no such thing. */
  prepare?(keys: readonly number[]): Promise<void>;
  /** Loads one thing more that will be needed; false once there is nothing more. */
  prepareAnother?(): Promise<boolean>;
  triggerAttackRelease(key: string | number, duration: number, time?: number, velocity?: number): unknown;
  releaseAll(): unknown;
}

/** A sound the arrangement can be heard in. */
export interface SoundRow {
  readonly id: 'grand' | 'electric' | 'music-box';
  readonly name: string;
  /** Silence before each sound, in seconds: it is taken off when striking. */
  readonly delaySeconds: number;
  readonly make: (tone: Tone, samples?: Samples) => Instrument;
}

/** The samples' encoding puts this much silence before each sound. */
export const SAMPLE_DELAY_SECONDS = 0.0145;

const SAMPLED = ['A', 'C', 'D#', 'F#'] as const;

/** Where each sampled key's file is: A0, C1, D♯1, F♯1 … C8. */
export function sampleFiles(): Record<string, string> {
  const files: Record<string, string> = { A0: 'A0v10.mp3', C8: 'C8v10.mp3' };
  for (let octave = 1; octave <= 7; octave++) {
    for (const name of SAMPLED) files[`${name}${octave}`] = `${encodeURIComponent(name)}${octave}v10.mp3`;
  }
  return files;
}

/** The file of each sampled key, by its MIDI number. */
const SAMPLES = new Map(
  Object.entries(sampleFiles()).map(([name, file]) => [midiOf(parsePitch(name)), file] as const),
);
const SAMPLED_KEYS = [...SAMPLES.keys()].sort((a, b) => a - b);
/** From the middle outwards, as they are needed. */
const FROM_MIDDLE = [...SAMPLED_KEYS].sort((a, b) => Math.abs(a - 60) - Math.abs(b - 60));

/** The sampled key a key sounds with: the nearest. */
export function sampledKey(key: number): number {
  return SAMPLED_KEYS.reduce((best, one) => (Math.abs(one - key) < Math.abs(best - key) ? one : best));
}

type Sample = Awaited<ReturnType<Tone['ToneAudioBuffer']['load']>>;
/** Samples that are loaded, or being loaded, by their keys: for one instrument, or for several one after the other. */
export type Samples = Map<number, Promise<Sample>>;

/**
 * A recorded grand. What is struck is loaded first: to decode all thirty samples takes a third of a second, and holds up
 * the edit with which the first chord is heard.
 */
function recordedGrand(tone: Tone, samples: Samples = new Map()): Instrument {
  const sampler = new tone.Sampler({ release: 0.6 });
  sampler.volume.value = -4;
  sampler.toDestination();
  const loading = new Map<number, Promise<void>>();
  const load = (key: number): Promise<void> => {
    const known = loading.get(key);
    if (known) return known;
    const sample = samples.get(key) ?? tone.ToneAudioBuffer.load(`/samples/${SAMPLES.get(key)}`);
    samples.set(key, sample);
    const coming = sample.then((loaded) => void sampler.add(key as ToneKey, loaded));
    loading.set(key, coming);
    // What failed is asked for again the next time.
    coming.catch(() => {
      loading.delete(key);
      samples.delete(key);
    });
    return coming;
  };
  return {
    prepare: async (keys) => void (await Promise.all([...new Set(keys.map(sampledKey))].map(load))),
    prepareAnother: async () => {
      const next = FROM_MIDDLE.find((key) => !loading.has(key));
      if (next === undefined) return false;
      await load(next);
      return true;
    },
    triggerAttackRelease: (...strike) => sampler.triggerAttackRelease(...strike),
    releaseAll: () => sampler.releaseAll(),
  };
}

/** Keys that may ring at once: both hands under a held pedal. */
const MOST_VOICES = 48;

/** A recorded grand; and two that are made of waves, for evenings with headphones. */
export const SOUNDS: readonly SoundRow[] = [
  {
    id: 'grand',
    name: 'Grand piano',
    delaySeconds: SAMPLE_DELAY_SECONDS,
    make: recordedGrand,
  },
  {
    id: 'electric',
    name: 'Soft electric piano',
    delaySeconds: 0,
    make: (tone) => {
      const voices = new tone.PolySynth(tone.FMSynth, {
        harmonicity: 1,
        modulationIndex: 2.2,
        oscillator: { type: 'sine' },
        modulation: { type: 'sine' },
        envelope: { attack: 0.004, decay: 2.4, sustain: 0.06, release: 0.5 },
        modulationEnvelope: { attack: 0.002, decay: 0.5, sustain: 0.08, release: 0.4 },
        volume: -14,
      });
      voices.maxPolyphony = MOST_VOICES;
      return voices.toDestination();
    },
  },
  {
    id: 'music-box',
    name: 'Music box',
    delaySeconds: 0,
    make: (tone) => {
      const voices = new tone.PolySynth(tone.FMSynth, {
        harmonicity: 4,
        modulationIndex: 1.2,
        oscillator: { type: 'sine' },
        modulation: { type: 'sine' },
        envelope: { attack: 0.001, decay: 1.1, sustain: 0, release: 1 },
        modulationEnvelope: { attack: 0.001, decay: 0.25, sustain: 0, release: 0.2 },
        volume: -12,
      });
      voices.maxPolyphony = MOST_VOICES;
      return voices.toDestination();
    },
  },
];

/** A plain tone, for when recorded sounds cannot be had. */
export function simpleTone(tone: Tone): Instrument {
  const voices = new tone.PolySynth(tone.Synth, {
    oscillator: { type: 'triangle' },
    envelope: { attack: 0.004, decay: 1.2, sustain: 0.1, release: 0.3 },
    volume: -12,
  });
  voices.maxPolyphony = MOST_VOICES;
  return voices.toDestination();
}

/** The row of a sound; the grand for one that is not known. */
export function soundNamed(id: string | null): SoundRow {
  // Before, ids had spaces.
  return SOUNDS.find((row) => row.id === id?.replaceAll(' ', '-')) ?? SOUNDS[0];
}
