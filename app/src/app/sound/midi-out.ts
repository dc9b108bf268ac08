import type { Instrument } from './instruments';

/** What of a MIDI output is used. */
export type MidiOut = Pick<MIDIOutput, 'name' | 'send'> & { clear?: () => void };

const NOTE_ON = 0x90;
const NOTE_OFF = 0x80;
const CONTROL = 0xb0;
const ALL_SOUND_OFF = 120;
const ALL_NOTES_OFF = 123;

/** Connected MIDI instruments that can sound; empty where the browser has none or does not allow it. */
export async function midiOutputs(): Promise<MidiOut[]> {
  if (!('requestMIDIAccess' in navigator)) return [];
  try {
    const access = await navigator.requestMIDIAccess();
    return [...access.outputs.values()];
  } catch (error) {
    if (error instanceof DOMException) return [];
    throw error;
  }
}

/** MIDI number of a key by its frequency in Hz, or of one told by number in a text. */
function midiOfKey(key: string | number): number {
  return Math.round(69 + 12 * Math.log2(Number(key) / 440));
}

/**
 * An instrument that strikes keys on a MIDI output. Keys come as frequencies (Hz), times in seconds of the audio clock
 * that `now` reads; `clock` is the page's, in milliseconds, by which MIDI is sent.
 */
export function midiInstrument(
  output: MidiOut,
  now: () => number,
  clock: () => number = () => performance.now(),
): Instrument {
  const held = new Map<number, number>();
  return {
    triggerAttackRelease: (key, duration, time = now(), velocity = 0.6) => {
      const midi = midiOfKey(key);
      const at = clock() + Math.max(0, time - now()) * 1000;
      const until = at + duration * 1000;
      // A key struck again while it sounds is let go first.
      if ((held.get(midi) ?? 0) > at) output.send([NOTE_OFF, midi, 0], at);
      output.send([NOTE_ON, midi, Math.max(1, Math.min(127, Math.round(velocity * 127)))], at);
      output.send([NOTE_OFF, midi, 0], until);
      held.set(midi, until);
    },
    releaseAll: () => {
      // What was sent ahead is taken back where the browser can; then everything is let go.
      output.clear?.();
      for (const midi of held.keys()) output.send([NOTE_OFF, midi, 0]);
      output.send([CONTROL, ALL_NOTES_OFF, 0]);
      output.send([CONTROL, ALL_SOUND_OFF, 0]);
      held.clear();
    },
  };
}
