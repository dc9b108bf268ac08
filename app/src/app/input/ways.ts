import { typeset } from '@joined-hands/core/music';
import { ComputerKeys, MidiKeys, midiInputs } from './key-sources';
import type { KeySource } from './recorder';
import type { ScreenKeyboard } from './screen-keyboard';

/** A way of playing keys into the application. */
export interface Way {
  /** On its button. */
  readonly label: string;
  /** What stands below it while it is listened to. */
  readonly note?: string;
  /** Keys to begin with, anew each time; rejects, with a sentence, where nothing can be heard. */
  readonly keys: () => KeySource | Promise<KeySource>;
}

export const ON_COMPUTER: Way = {
  label: 'Computer keys',
  note: `A S D F … are ${typeset('C D E F')}; the row above has the black keys. Any octave counts.`,
  keys: () => new ComputerKeys(),
};

/** All MIDI keyboards that are connected. */
export const ON_MIDI: Way = {
  label: 'MIDI keyboard',
  keys: async () => {
    const inputs = await midiInputs();
    if (inputs.length === 0)
      throw new Error('No MIDI keyboard is connected, or the browser does not let it be heard.');
    return new MidiKeys(inputs);
  },
};

/** The piano at the foot of a bench. */
export function onScreen(screen: ScreenKeyboard): Way {
  return { label: 'Screen keys', keys: () => screen.keys };
}

/** A stand-in, to try it without an instrument. */
export function simulated(keys: () => KeySource, label = 'Demo player'): Way {
  return { label, keys };
}
