import type { Arrangement } from '@joined-hands/core/arrangement';
import { type Samples, type SoundRow, soundNamed } from './instruments';
import { type PlannedNote, planProgram, type PlayRequest } from './program';

/** As it is, or made smaller by what this browser has for that. */
export type SoundKind = 'wav' | 'small';

/** What is to be heard in a sound file. */
export interface SoundWish extends Pick<PlayRequest, 'hands' | 'tempoPercent'> {
  readonly sound: SoundRow['id'];
  readonly kind: SoundKind;
}

export interface SoundFile {
  readonly bytes: Uint8Array<ArrayBuffer>;
  /** With its dot. */
  readonly ending: string;
  readonly type: string;
}

/** So many seconds are worked out at once: it can be told how far it is, stopped, and needs little memory. */
const STRETCH = 15;
const RATE = 48_000;
const CHANNELS = 2;
/** Silence before the first key, and what a string needs to fall silent, in seconds. */
const [LEAD_IN, RINGS_ON] = [0.1, 2];

/**
 * The whole song as a sound file, faster than it is played. `told` gets how much of it is done, from 0 to 1.
 *
 * @throws DOMException of the name AbortError where it was stopped; Error where this browser cannot make such a file, or a
 * sound cannot be loaded.
 */
export async function soundFile(
  arrangement: Arrangement,
  wish: SoundWish,
  told: (share: number) => void,
  signal: AbortSignal,
): Promise<SoundFile> {
  const { notes, seconds } = planProgram(arrangement, {
    fromTick: 0,
    toTick: arrangement.played.endTick,
    countsIn: false,
    ...wish,
  });
  const file = await openFile(wish.kind);
  try {
    const whole = LEAD_IN + Math.max(seconds, ...notes.map(({ at, duration }) => at + duration)) + RINGS_ON;
    const samples: Samples = new Map();
    let ringing: readonly Float32Array[] = [];
    for (let from = 0; from < whole; from += STRETCH) {
      signal.throwIfAborted();
      const to = Math.min(whole, from + STRETCH);
      const begun = notes.filter(({ at }) => at + LEAD_IN >= from && at + LEAD_IN < to);
      const heard = await render(begun, from - LEAD_IN, wish.sound, samples);
      const { now, later } = laidOver(heard, ringing, Math.round((to - from) * RATE));
      ringing = later;
      await file.add(now.map(withoutClipping));
      told(to / whole);
    }
    signal.throwIfAborted();
    return await file.close();
  } catch (error) {
    await file.cancel();
    throw error;
  }
}

/** What some notes sound like until the last is silent, by channel. */
async function render(
  notes: readonly PlannedNote[],
  from: number,
  sound: SoundRow['id'],
  samples: Samples,
): Promise<Float32Array[]> {
  if (notes.length === 0) return [];
  const tone = await import('tone');
  const row = soundNamed(sound);
  const keys = notes.map(({ midi }) => midi);
  // What is loaded is loaded before: while it is worked out nothing else may sound through this library.
  await row.make(tone, samples).prepare?.(keys);
  const seconds = Math.max(...notes.map(({ at, duration }) => at - from + duration)) + RINGS_ON;
  const buffer = await tone.Offline(
    async () => {
      const instrument = row.make(tone, samples);
      await instrument.prepare?.(keys);
      for (const { midi, at, duration, velocity } of notes)
        instrument.triggerAttackRelease(
          tone.Frequency(midi, 'midi').toFrequency(),
          duration,
          Math.max(0, at - from - row.delaySeconds),
          velocity / 127,
        );
    },
    seconds,
    CHANNELS,
    RATE,
  );
  return Array.from({ length: CHANNELS }, (_, channel) => buffer.getChannelData(channel));
}

/** A stretch of sound over what still rings of the one before: so many samples now, and what rings on after them. */
export function laidOver(
  heard: readonly Float32Array[],
  ringing: readonly Float32Array[],
  samples: number,
): { readonly now: Float32Array[]; readonly later: Float32Array[] } {
  const all = Array.from({ length: CHANNELS }, (_, channel) => {
    const [own = new Float32Array(), before = new Float32Array()] = [heard[channel], ringing[channel]];
    const sum = new Float32Array(Math.max(samples, own.length, before.length));
    sum.set(own);
    before.forEach((value, i) => (sum[i] += value));
    return sum;
  });
  return {
    now: all.map((channel) => channel.slice(0, samples)),
    later: all.map((channel) => channel.slice(samples)),
  };
}

/** Up to here sound is as it is; beyond it is pressed together so that it never reaches 1. */
const LOUD = 0.8;

/** Where many keys together would be louder than a file can hold they are pressed together, never cut off. */
export function withoutClipping(channel: Float32Array): Float32Array<ArrayBuffer> {
  return Float32Array.from(channel, (value) => {
    const over = Math.abs(value) - LOUD;
    if (over <= 0) return value;
    return Math.sign(value) * (LOUD + (1 - LOUD) * Math.tanh(over / (1 - LOUD)));
  });
}

interface OpenFile {
  add(channels: readonly Float32Array<ArrayBuffer>[]): Promise<void>;
  close(): Promise<SoundFile>;
  cancel(): Promise<void>;
}

/** Bits a second: a piano without audible loss. */
const BITRATE = 160_000;

async function openFile(kind: SoundKind): Promise<OpenFile> {
  const { AudioBufferSource, BufferTarget, Output } = await import('mediabunny');
  const { format, codec } = await formatOf(kind);
  const target = new BufferTarget();
  const output = new Output({ format, target });
  const source = new AudioBufferSource({ codec, bitrate: BITRATE });
  output.addAudioTrack(source);
  await output.start();
  return {
    async add(channels) {
      const length = channels[0].length;
      const buffer = new AudioBuffer({ length, numberOfChannels: channels.length, sampleRate: RATE });
      channels.forEach((samples, i) => buffer.copyToChannel(samples, i));
      await source.add(buffer);
    },
    async close() {
      await output.finalize();
      const bytes = new Uint8Array(target.buffer ?? new ArrayBuffer(0));
      return { bytes, ending: format.fileExtension, type: format.mimeType };
    },
    cancel: () => output.cancel(),
  };
}

/** The file a sound is kept in: the first of those that are smaller which this browser can make. */
async function formatOf(kind: SoundKind) {
  const { canEncodeAudio, Mp4OutputFormat, OggOutputFormat, WavOutputFormat } = await import('mediabunny');
  if (kind === 'wav') return { format: new WavOutputFormat(), codec: 'pcm-s16' } as const;
  const asked = { numberOfChannels: CHANNELS, sampleRate: RATE, bitrate: BITRATE };
  if (await canEncodeAudio('aac', asked)) return { format: new Mp4OutputFormat(), codec: 'aac' } as const;
  if (await canEncodeAudio('opus', asked)) return { format: new OggOutputFormat(), codec: 'opus' } as const;
  throw new Error('this browser cannot make sound files smaller; take the WAV file');
}
