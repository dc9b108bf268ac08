// Takes of a player rendered through pianos that do not ship, in a room: for measuring how well they are heard. Needs
// apt-get install fluidsynth timgm6mb-soundfont fluid-soundfont-gm musescore-general-soundfont-small timidity freepats
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import midiFile, { type MidiEvent } from 'midi-file';
import { seeded } from '../core/chance';

export const RATE = 22_050;
const FONT_FOLDERS = ['/usr/share/sounds/sf2', '/usr/share/sounds/sf3', '/etc/timidity'];

/** A piano the figures are measured with: a sound font for fluidsynth or patches for timidity; null where it is not installed. */
export function fontOf(name: string): string | null {
  return FONT_FOLDERS.map((folder) => join(folder, name)).find((path) => existsSync(path)) ?? null;
}

const QUIETLY = { stdio: 'ignore' } as const;

/** A key struck and let go, in seconds. */
export interface SoundedKey {
  readonly at: number;
  readonly lasts: number;
  readonly midi: number;
  readonly velocity: number;
}

/** What keys and pedal changes sound like through a font: one channel, `RATE` samples a second. */
export function rendered(keys: readonly SoundedKey[], pedals: readonly number[], font: string): Float32Array {
  const folder = mkdtempSync(join(tmpdir(), 'joined-hands-sound-'));
  const pedal = (at: number, value: number): readonly [number, object] => [
    at,
    { type: 'controller', controllerType: 64, value, channel: 0 },
  ];
  const events: (readonly [number, object])[] = [
    ...keys.flatMap(({ at, lasts, midi, velocity }) => [
      [at, { type: 'noteOn', noteNumber: midi, velocity, channel: 0 }] as const,
      [at + lasts, { type: 'noteOff', noteNumber: midi, velocity: 0, channel: 0 }] as const,
    ]),
    ...pedals.flatMap((at) => [pedal(at, 0), pedal(at + 0.06, 127)]),
  ];
  let last = 0;
  const track = events
    .sort((a, b) => a[0] - b[0])
    .map(([at, event]) => {
      const tick = Math.round(at * 2000);
      const deltaTime = tick - last;
      last = tick;
      return { ...event, deltaTime } as MidiEvent;
    });
  const whole = {
    header: { format: 0 as const, numTracks: 1, ticksPerBeat: 1000 },
    tracks: [[...track, { type: 'endOfTrack', deltaTime: 2000, meta: true } as MidiEvent]],
  };
  const [midi, raw] = [join(folder, 'take.mid'), join(folder, 'take.raw')];
  try {
    writeFileSync(midi, Uint8Array.from(midiFile.writeMidi(whole)));
    const rate = String(2 * RATE);
    const fluidsynth = `-ni -R 0 -C 0 -g 0.6 -r ${rate} -T raw -O s16 -F`.split(' ');
    const timidity = `--preserve-silence -EFreverb=d -EFchorus=d -s ${rate} -Or1sl -o`.split(' ');
    if (font.endsWith('.cfg')) execFileSync('timidity', ['-c', font, ...timidity, raw, midi], QUIETLY);
    else execFileSync('fluidsynth', [...fluidsynth, raw, font, midi], QUIETLY);
    const bytes = readFileSync(raw);
    const at = (i: number): number => bytes.readInt16LE(2 * i);
    // Two channels at twice the rate: the mean of four values.
    return Float32Array.from(
      { length: Math.floor(bytes.length / 8) },
      (_, i) => (at(4 * i) + at(4 * i + 1) + at(4 * i + 2) + at(4 * i + 3)) / (4 * 32_768),
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** Sound in a room that rings on for so many seconds: four combs and two all-pass filters, with noise beside its peak. Source: Schroeder 1962. */
export function inRoom(sound: Float32Array, seconds: number, wet: number, noise: number): Float32Array {
  const combs = [0.0297, 0.0371, 0.0411, 0.0437].map((delay) => {
    const d = Math.round(delay * RATE);
    const back = 10 ** ((-3 * d) / RATE / seconds);
    const out = new Float32Array(sound.length);
    for (let i = 0; i < sound.length; i++) out[i] = sound[i] + (i >= d ? back * out[i - d] : 0);
    return out;
  });
  let rings = sound.map((_, i) => combs.reduce((sum, comb) => sum + comb[i] / combs.length, 0));
  for (const d of [110, 37]) {
    const out = new Float32Array(sound.length);
    for (let i = 0; i < sound.length; i++)
      out[i] = -0.7 * rings[i] + (i >= d ? rings[i - d] + 0.7 * out[i - d] : 0);
    rings = out;
  }
  const peak = sound.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
  const chance = seeded(1);
  return sound.map((x, i) => (1 - wet) * x + wet * rings[i] + noise * peak * (2 * chance() - 1));
}
