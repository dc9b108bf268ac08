import type { WantedKey } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import type { KeySource, TakeClock } from './recorder';
import { SoundClock } from './sound-clock';
import type { Hearing, Judge } from '../workers/judge';
import { messageOf } from '../ui/message';

/** What becomes of what a microphone hears. */
export const HEARD_BY_MICROPHONE =
  'The click is shown, not sounded: the microphone would hear it. Nothing is recorded, and nothing leaves this device.';

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
  readonly block: Float32Array<ArrayBuffer>;
  /** When it ended, on the clock of the sound. */
  readonly seconds: number;
}

/** What is listened to at once has no more samples a second than this: more tell nothing of a piano's keys. */
const MOST_SAMPLES = 32_000;

/** A piano heard through the microphone. Nothing is recorded, nothing is sent. */
class MicrophoneKeys implements KeySource {
  /** The piano sounds by itself. */
  readonly sounds = true;
  readonly isOnce = true;
  private stopListening: (() => void) | null = null;
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly context: AudioContext,
    private readonly stream: MediaStream,
    private readonly hearing: Hearing,
    private readonly isHalved: boolean,
  ) {}

  start(press: (event: KeyEvent) => void, now: TakeClock, gone?: (problem: string) => void): void {
    for (const track of this.stream.getTracks())
      track.onended = () => gone?.('the microphone is no longer connected. Connect it and play once more');
    const clock = new SoundClock();
    const source = this.context.createMediaStreamSource(this.stream);
    const capture = new AudioWorkletNode(this.context, 'capture', {
      numberOfOutputs: 0,
      processorOptions: { isHalved: this.isHalved },
    });
    capture.port.onmessage = ({ data }: MessageEvent<CapturedBlock>) => {
      const heard = this.hearing.hear(data.block, clock.at(data.seconds, now()));
      this.last = heard.then((events) => events.forEach(press));
    };
    source.connect(capture);
    this.stopListening = () => {
      capture.port.onmessage = null;
      source.disconnect();
    };
  }

  async inFull(): Promise<readonly KeyEvent[]> {
    await this.last;
    return this.hearing.inFull();
  }

  /** The microphone is let go: what comes after is not heard. */
  stop(): void {
    this.stopListening?.();
    this.stopListening = null;
    for (const track of this.stream.getTracks()) track.stop();
    if (this.context.state !== 'closed') void this.context.close();
  }
}

/**
 * Listens to the microphone for keys that are wanted, `pace` seconds a second of the music, while the program strikes
 * `others`; or, where none are known, for a tune of single notes. Rejects, with a sentence, where it cannot be heard.
 */
export async function microphoneKeys(
  judge: Judge,
  wanted: readonly WantedKey[] | null,
  pace = 1,
  others: readonly WantedKey[] = [],
): Promise<MicrophoneKeys> {
  // What listens is made while the press of the button still counts, and is ready before there is anything to hear.
  const context = new AudioContext();
  try {
    const isHalved = context.sampleRate > MOST_SAMPLES;
    const rate = isHalved ? context.sampleRate / 2 : context.sampleRate;
    const [hearing] = await Promise.all([
      judge.listenFor(wanted, rate, pace, others),
      context.audioWorklet.addModule('capture.worklet.js'),
    ]);
    const stream = await navigator.mediaDevices.getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    });
    return new MicrophoneKeys(context, stream, hearing, isHalved);
  } catch (error) {
    void context.close();
    throw new Error(microphoneProblem(error), { cause: error });
  }
}
