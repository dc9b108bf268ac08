import { Injectable } from '@angular/core';
import type * as ToneModule from 'tone';

type Tone = typeof ToneModule;

/** The samples' encoding puts this much silence before each sound; it is taken off when striking. */
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

/** A real grand piano, loaded when first needed. */
@Injectable({ providedIn: 'root' })
export class Piano {
  private loading: Promise<{ tone: Tone; sampler: ToneModule.Sampler; click: ToneModule.Synth }> | null =
    null;

  /** The instrument, once its samples are there. Must first be called from a key press or click. */
  async ready(): Promise<{ tone: Tone; sampler: ToneModule.Sampler; click: ToneModule.Synth }> {
    this.loading ??= this.load().catch((error: unknown) => {
      this.loading = null;
      throw error;
    });
    const loaded = await this.loading;
    await loaded.tone.start();
    return loaded;
  }

  private async load(): Promise<{ tone: Tone; sampler: ToneModule.Sampler; click: ToneModule.Synth }> {
    const tone = await import('tone');
    const sampler = new tone.Sampler({
      urls: sampleFiles(),
      baseUrl: '/samples/',
      release: 0.6,
    }).toDestination();
    sampler.volume.value = -4;
    const click = new tone.Synth({
      oscillator: { type: 'triangle' },
      envelope: { attack: 0.001, decay: 0.05, sustain: 0, release: 0.02 },
      volume: -10,
    }).toDestination();
    await tone.loaded();
    return { tone, sampler, click };
  }

  /** Plays a line at a tempo, from now on. Times in ticks. */
  async hearLine(
    line: readonly { readonly tick: number; readonly length: number; readonly midi: number }[],
    quartersPerMinute: number,
  ): Promise<void> {
    const { tone, sampler } = await this.ready();
    sampler.releaseAll();
    const perTick = 60 / (quartersPerMinute * 960);
    const start = tone.now() + 0.1;
    for (const { tick, length, midi } of line)
      sampler.triggerAttackRelease(
        tone.Frequency(midi, 'midi').toFrequency(),
        Math.max(0.08, length * perTick),
        start + tick * perTick,
        0.65,
      );
  }

  /** Strikes keys together now, for about a second and a half. */
  async hear(keys: readonly number[], velocity = 76): Promise<void> {
    const { tone, sampler } = await this.ready();
    sampler.releaseAll();
    for (const key of keys)
      sampler.triggerAttackRelease(
        tone.Frequency(key, 'midi').toFrequency(),
        1.6,
        tone.now(),
        velocity / 127,
      );
  }
}
