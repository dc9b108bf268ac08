import type { WantedKey } from '@joined-hands/core/practice';
import { type KeyEvent, PitchTrack } from '@joined-hands/core/takes';
import { Pitches } from './pitches';
import type { KeySource, TakeClock } from './recorder';
import { SoundClock } from './sound-clock';
import { messageOf } from '../ui/message';

/** The lowest key a pitch is found for: two waves of it fit into what is listened to at once. */
const LOWEST = 40;

/** Why a microphone cannot follow what is wanted; null where it can. */
export function whyNotHeard(wanted: readonly WantedKey[]): string | null {
  const hasChords = wanted.some(({ tick }, i) => wanted[i + 1]?.tick === tick);
  if (hasChords)
    return 'The microphone hears one note at a time: not chords, and not both hands. Choose a task of one hand with single notes.';
  if (wanted.some(({ midi }) => midi < LOWEST))
    return 'The microphone does not hear such low notes surely enough.';
  return null;
}

/** Why the microphone cannot be listened to, and what to do. */
export function microphoneProblem(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The browser does not let the microphone be heard. Allow it in the address bar.';
  if (name === 'NotFoundError') return 'No microphone was found.';
  const why = messageOf(error);
  return `The microphone could not be started: ${why}.`;
}

/** What the worklet sends on. */
interface CapturedBlock {
  readonly block: Float32Array;
  /** When it ended, on the clock of the sound. */
  readonly seconds: number;
}

/** A piano heard through the microphone, one note at a time. Nothing is recorded, nothing is sent. */
class MicrophoneKeys implements KeySource {
  /** The piano sounds by itself. */
  readonly sounds = true;
  readonly isOnce = true;
  private stopListening: (() => void) | null = null;

  constructor(
    private readonly context: AudioContext,
    private readonly stream: MediaStream,
  ) {}

  start(press: (event: KeyEvent) => void, now: TakeClock): void {
    const [pitches, track] = [new Pitches(this.context.sampleRate), new PitchTrack()];
    const clock = new SoundClock();
    const source = this.context.createMediaStreamSource(this.stream);
    const capture = new AudioWorkletNode(this.context, 'capture', { numberOfOutputs: 0 });
    capture.port.onmessage = ({ data }: MessageEvent<CapturedBlock>) => {
      const ended = clock.at(data.seconds, now());
      for (const event of track.hear(pitches.hear(data.block, ended))) press(event);
    };
    source.connect(capture);
    this.stopListening = () => {
      capture.port.onmessage = null;
      source.disconnect();
    };
  }

  /** The microphone is let go: what comes after is not heard. */
  stop(): void {
    this.stopListening?.();
    this.stopListening = null;
    letGo(this.stream);
    if (this.context.state !== 'closed') void this.context.close();
  }
}

/** Listens to the microphone for keys that are wanted; rejects, with a sentence, where they or it cannot be heard. */
export async function microphoneKeys(wanted: readonly WantedKey[]): Promise<MicrophoneKeys> {
  const cannot = whyNotHeard(wanted);
  if (cannot) throw new Error(cannot);
  // What listens is made while the press of the button still counts, and is ready before there is anything to hear.
  const context = new AudioContext();
  try {
    await context.audioWorklet.addModule('capture.worklet.js');
    const stream = await navigator.mediaDevices.getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    });
    return new MicrophoneKeys(context, stream);
  } catch (error) {
    void context.close();
    throw new Error(microphoneProblem(error), { cause: error });
  }
}

function letGo(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}
