import {
  type KeyEvent,
  type Mistake,
  playSimulated,
  type TuneKey,
  USUAL_VELOCITY,
} from '@joined-hands/core/takes';
import { AnyOctave, type WantedKey } from '@joined-hands/core/practice';
import type { KeySource, TakeClock } from './recorder';

/** Keys of the computer as piano keys, by their place on the keyboard: the middle row white, the row above black. */
const COMPUTER_KEYS: Record<string, number> = {
  KeyA: 60,
  KeyW: 61,
  KeyS: 62,
  KeyE: 63,
  KeyD: 64,
  KeyF: 65,
  KeyT: 66,
  KeyG: 67,
  KeyY: 68,
  KeyH: 69,
  KeyU: 70,
  KeyJ: 71,
  KeyK: 72,
  KeyO: 73,
  KeyL: 74,
  KeyP: 75,
  Semicolon: 76,
};

/** A letter typed into a field is a letter. */
function isTyping({ target }: KeyboardEvent): boolean {
  const field = target as Partial<Element> | null;
  return field?.matches?.('input[type=text], input:not([type]), textarea') ?? false;
}

/** The letter on each of them, by its piano key. */
const LETTERS = new Map(
  Object.entries(COMPUTER_KEYS).map(
    ([code, midi]) => [midi, code === 'Semicolon' ? ';' : code.slice(3)] as const,
  ),
);

/** The computer's own keys. While it listens they mean nothing else. */
export class ComputerKeys implements KeySource {
  readonly isAnyOctave = true;
  readonly letters: ReadonlyMap<number, string> | undefined;
  private stopListening: (() => void) | null = null;
  private begun: { readonly press: (event: KeyEvent) => void; readonly now: TakeClock } | null = null;

  /** With `onlyTaps` every key is one and the same: for tapping a rhythm. */
  constructor(private readonly onlyTaps = false) {
    this.letters = onlyTaps ? undefined : LETTERS;
  }

  prepare(): void {
    if (this.stopListening) return;
    const held = new Set<string>();
    const onKey = (event: KeyboardEvent): void => {
      const midi = this.onlyTaps ? 60 : COMPUTER_KEYS[event.code];
      const isTap = this.onlyTaps && /^(Space|Key|Digit|Enter)/.test(event.code);
      if (midi === undefined || (this.onlyTaps && !isTap) || event.ctrlKey || event.metaKey) return;
      if (event.type === 'keydown' && isTyping(event)) return;
      event.preventDefault();
      event.stopPropagation();
      const isDown = event.type === 'keydown';
      if (isDown === held.has(event.code)) return;
      if (isDown) held.add(event.code);
      else held.delete(event.code);
      this.begun?.press({
        seconds: this.begun.now(event.timeStamp),
        midi,
        velocity: isDown ? USUAL_VELOCITY : 0,
      });
    };
    document.addEventListener('keydown', onKey, true);
    document.addEventListener('keyup', onKey, true);
    this.stopListening = () => {
      document.removeEventListener('keydown', onKey, true);
      document.removeEventListener('keyup', onKey, true);
    };
  }

  start(press: (event: KeyEvent) => void, now: TakeClock): void {
    this.prepare();
    this.begun = { press, now };
  }

  stop(): void {
    this.stopListening?.();
    this.stopListening = null;
    this.begun = null;
  }
}

/** A source whose keys stand for their notes in any octave: each is told as the keys that are wanted. */
export function inAnyOctave(source: KeySource, wanted: readonly WantedKey[], pace: number): KeySource {
  const octaves = new AnyOctave(wanted, pace);
  const down = new Map<number, readonly number[]>();
  return {
    ...(source.letters ? { letters: source.letters } : {}),
    prepare: () => source.prepare?.(),
    start: (press, now, gone) =>
      source.start(
        (event) => {
          const keys = event.velocity > 0 ? octaves.keysFor(event) : (down.get(event.midi) ?? []);
          down.set(event.midi, keys);
          for (const midi of keys) press({ ...event, midi });
        },
        now,
        gone,
      ),
    stop: () => source.stop(),
  };
}

/** What a tap of each hand is told as. */
export const TAP_KEYS = { left: 48, right: 72 } as const;
/** Where the forefingers lie. */
const TAPPING: Record<string, number> = { KeyF: TAP_KEYS.left, KeyJ: TAP_KEYS.right };

/** Two keys of the computer, one for each hand, for tapping the rhythm of both. */
export class TwoHandTaps implements KeySource {
  private stopListening: (() => void) | null = null;

  start(press: (event: KeyEvent) => void, now: TakeClock): void {
    const onKey = (event: KeyboardEvent): void => {
      const midi = TAPPING[event.code];
      if (midi === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.type === 'keydown' && isTyping(event)) return;
      event.preventDefault();
      event.stopPropagation();
      if (!event.repeat)
        press({
          seconds: now(event.timeStamp),
          midi,
          velocity: event.type === 'keydown' ? USUAL_VELOCITY : 0,
        });
    };
    document.addEventListener('keydown', onKey, true);
    document.addEventListener('keyup', onKey, true);
    this.stopListening = () => {
      document.removeEventListener('keydown', onKey, true);
      document.removeEventListener('keyup', onKey, true);
    };
  }

  stop(): void {
    this.stopListening?.();
    this.stopListening = null;
  }
}

/** The keyboard on the screen. */
export class ScreenKeys implements KeySource {
  readonly isAnyOctave = true;
  private listener: ((midi: number) => void) | null = null;

  start(press: (event: KeyEvent) => void, now: TakeClock): void {
    let last: number | null = null;
    this.listener = (midi) => {
      // A pointer holds one key at a time: the next lets the last go.
      if (last !== null) press({ seconds: now(), midi: last, velocity: 0 });
      press({ seconds: now(), midi, velocity: USUAL_VELOCITY });
      last = midi;
    };
  }

  /** A key was pressed with the pointer. */
  press(midi: number): void {
    this.listener?.(midi);
  }

  stop(): void {
    this.listener = null;
  }
}

/** MIDI keyboards, all that the browser lets be heard. */
export class MidiKeys implements KeySource {
  constructor(private readonly inputs: readonly MIDIInput[]) {}

  start(press: (event: KeyEvent) => void, now: TakeClock, gone?: (problem: string) => void): void {
    for (const input of this.inputs) {
      input.onmidimessage = ({ data, timeStamp }) => {
        if (!data || data.length < 3) return;
        const command = data[0] & 0xf0;
        if (command !== 0x90 && command !== 0x80) return;
        press({ seconds: now(timeStamp), midi: data[1], velocity: command === 0x90 ? data[2] : 0 });
      };
      input.onstatechange = () => {
        if (this.inputs.every(({ state }) => state === 'disconnected'))
          gone?.('the keyboard is no longer connected. Connect it and play once more');
      };
    }
  }

  stop(): void {
    for (const input of this.inputs) input.onmidimessage = input.onstatechange = null;
  }
}

/** A stand-in for a player at a keyboard: strikes and lets go of keys by a plan, in real time. */
export class TimedKeys implements KeySource {
  private timers: number[] = [];

  constructor(private readonly events: readonly KeyEvent[]) {}

  start(press: (event: KeyEvent) => void, now: TakeClock): void {
    for (const event of this.events) {
      const wait = Math.max(0, event.seconds - now()) * 1000;
      // Its own clock tells when the key went down, as a MIDI device's does.
      this.timers.push(window.setTimeout(() => press(event), wait));
    }
  }

  stop(): void {
    for (const timer of this.timers) clearTimeout(timer);
    this.timers = [];
  }
}

/** A tune played by the stand-in, so that recording can be tried without an instrument. */
export function simulatedKeys(
  tune: readonly TuneKey[],
  quartersPerMinute: number,
  seed: number,
  mistakes: readonly Mistake[],
): TimedKeys {
  const options = { quartersPerMinute, seed, mistakes, spreadSeconds: 0.02, lateSeconds: 0.01 };
  return new TimedKeys(playSimulated(tune, options));
}

/** Connected MIDI keyboards; empty where the browser has none or does not allow it. */
export async function midiInputs(): Promise<MIDIInput[]> {
  if (!('requestMIDIAccess' in navigator)) return [];
  try {
    const access = await navigator.requestMIDIAccess();
    return [...access.inputs.values()];
  } catch (error) {
    if (error instanceof DOMException) return [];
    throw error;
  }
}
