import { TICKS_PER_QUARTER } from '@joined-hands/core/music';
import { inject, Injectable, signal } from '@angular/core';
import type * as ToneModule from 'tone';
import { Problems } from '../ui/problems';
import { type Instrument, simpleTone, type SoundRow, soundNamed } from './instruments';
import { Ways } from '../ui/own-ways';
import { midiInstrument, midiOutputs } from './midi-out';
import { Quiet } from './quiet';

type Tone = typeof ToneModule;

/** The sound chosen last is that of this browser, not of a song. */
const REMEMBERED_AS = 'joined-hands-sound';

/** What is needed to sound anything. */
export interface Sounding {
  readonly tone: Tone;
  readonly instrument: Instrument;
  readonly click: ToneModule.Synth;
  /** Silence before each sound of the instrument, in seconds. */
  readonly delaySeconds: number;
  /** How much later than it is told to the device sounds, in seconds. */
  readonly latencySeconds: number;
}

/** The instrument the arrangement is heard on, loaded when first needed: a real grand piano unless another is chosen. */
@Injectable({ providedIn: 'root' })
export class Piano {
  private readonly problems = inject(Problems);
  private readonly ways = inject(Ways);
  readonly sound = signal<SoundRow['id']>(soundNamed(remembered()).id);
  private tone: Promise<{ tone: Tone; click: ToneModule.Synth }> | null = null;
  private readonly made = new Map<SoundRow['id'], Instrument>();

  /** The instrument, once it can sound these keys (MIDI numbers). Must first be called from a key press or click. */
  async ready(keys: readonly number[]): Promise<Sounding> {
    const row = soundNamed(this.sound());
    const { tone, click } = await this.toneOnce();
    const outside = await this.outside(tone);
    if (outside) {
      await tone.start();
      return { tone, click, instrument: outside, delaySeconds: 0, latencySeconds: latencyOf(tone) };
    }
    const instrument = this.instrumentOf(row, tone);
    const sounding = await Promise.resolve(instrument.prepare?.(keys)).then(
      () => ({ instrument, delaySeconds: row.delaySeconds }),
      () => ({ instrument: this.simple(tone, row), delaySeconds: 0 }),
    );
    await tone.start();
    if (this.quiet) void this.loadTheRest(sounding.instrument, this.quiet);
    return { tone, click, ...sounding, latencySeconds: latencyOf(tone) };
  }

  private outsideFor: { readonly name: string; readonly instrument: Instrument } | null = null;

  /** The MIDI instrument that was chosen to sound; null where none was, or it is not connected: then this device sounds. */
  private async outside(tone: Tone): Promise<Instrument | null> {
    const { midiOut } = this.ways.now();
    if (midiOut === null) return null;
    if (this.outsideFor?.name === midiOut) return this.outsideFor.instrument;
    const output = (await midiOutputs()).find(({ name }) => name === midiOut);
    if (!output) {
      if (this.missing !== midiOut)
        this.problems.tell(
          `“${midiOut}” is not connected: you hear this device. Choose its sound in Settings.`,
        );
      this.missing = midiOut;
      return null;
    }
    this.outsideFor = { name: midiOut, instrument: midiInstrument(output, () => tone.immediate()) };
    return this.outsideFor.instrument;
  }

  /** It was said once that this one is not there. */
  private missing: string | null = null;

  /**
   * Loads what every sound needs once something was pressed (before that no page may sound) and then nothing is done:
   * what is heard first comes at once, and the edit it comes from is not held up. What fails is loaded when it is heard.
   */
  loadAfterPress(pressed: EventTarget = document): void {
    if (this.quiet) return;
    this.quiet = new Quiet(pressed);
    void this.loadWhenQuiet(this.quiet);
  }

  private quiet: Quiet | null = null;

  private async loadWhenQuiet(quiet: Quiet): Promise<void> {
    await quiet.pressed();
    await quiet.comes();
    if (this.tone) return;
    // The browser opens its audio device with the first context, which takes as long as all of the library: each has a
    // moment of its own.
    const opening = opened();
    await quiet.comes();
    await this.toneOnce().catch(() => undefined);
    await opening?.close();
  }

  /**
   * What an instrument has not loaded yet comes one sample after another while nothing is done. Where one fails that is
   * the end of it until the instrument is heard again: nobody waits for it.
   */
  private async loadTheRest(instrument: Instrument, quiet: Quiet): Promise<void> {
    if (!instrument.prepareAnother || this.completed.has(instrument)) return;
    this.completed.add(instrument);
    try {
      do await quiet.comes();
      while (await instrument.prepareAnother());
    } catch {
      this.completed.delete(instrument);
    }
  }

  private readonly completed = new WeakSet<Instrument>();

  private toneOnce(): Promise<{ tone: Tone; click: ToneModule.Synth }> {
    return (this.tone ??= this.loadTone().catch((error: unknown) => {
      this.tone = null;
      throw error;
    }));
  }

  /** From now on everything is heard in this sound. */
  choose(id: SoundRow['id']): void {
    this.sound.set(id);
    try {
      localStorage.setItem(REMEMBERED_AS, id);
    } catch {
      // Where the browser keeps nothing the choice holds until the page is left.
    }
  }

  private async loadTone(): Promise<{ tone: Tone; click: ToneModule.Synth }> {
    const tone = await import('tone');
    const click = new tone.Synth({
      oscillator: { type: 'triangle' },
      envelope: { attack: 0.001, decay: 0.05, sustain: 0, release: 0.02 },
      volume: -10,
    }).toDestination();
    return { tone, click };
  }

  private plain: Instrument | null = null;

  /** Without its recorded sounds a piano is still heard, as a simple tone; they are asked for again the next time. */
  private simple(tone: Tone, { name }: SoundRow): Instrument {
    if (!this.plain)
      this.problems.tell(
        `The sounds of the ${name.toLowerCase()} could not be loaded: you hear a simple tone. They are loaded again when you play.`,
      );
    this.plain ??= simpleTone(tone);
    return this.plain;
  }

  private instrumentOf(row: SoundRow, tone: Tone): Instrument {
    const instrument = this.made.get(row.id) ?? row.make(tone);
    this.made.set(row.id, instrument);
    return instrument;
  }

  /** Plays a line at a tempo, from now on. Times in ticks. */
  async hearLine(
    line: readonly { readonly tick: number; readonly length: number; readonly midi: number }[],
    quartersPerMinute: number,
  ): Promise<void> {
    const { tone, instrument } = await this.ready(line.map(({ midi }) => midi));
    instrument.releaseAll();
    const perTick = 60 / (quartersPerMinute * TICKS_PER_QUARTER);
    const start = tone.immediate() + 0.1;
    for (const { tick, length, midi } of line)
      instrument.triggerAttackRelease(
        tone.Frequency(midi, 'midi').toFrequency(),
        Math.max(0.08, length * perTick),
        start + tick * perTick,
        0.65,
      );
  }

  /** Strikes keys together now, for about a second and a half. */
  async hear(keys: readonly number[], velocity = 76): Promise<void> {
    const { tone, instrument } = await this.ready(keys);
    instrument.releaseAll();
    for (const key of keys)
      instrument.triggerAttackRelease(
        tone.Frequency(key, 'midi').toFrequency(),
        1.6,
        tone.immediate(),
        velocity / 127,
      );
  }
}

/** What the browser tells of it; a context that is no AudioContext, as in tests, tells nothing. */
function latencyOf(tone: Tone): number {
  const { rawContext } = tone.getContext();
  return 'baseLatency' in rawContext ? rawContext.baseLatency : 0;
}

function remembered(): string | null {
  try {
    return localStorage.getItem(REMEMBERED_AS);
  } catch {
    return null;
  }
}

/** A context that opens the audio device; null where there is none: that is said when something is to be heard. */
function opened(): AudioContext | null {
  try {
    return new AudioContext();
  } catch {
    return null;
  }
}
