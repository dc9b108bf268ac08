// Measures what each key of the piano that ships sounds like, for listening, and writes core/listening/shapesOfPiano.ts:
// npm run key-shapes, after a build.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { FIRST_KEY, FULL_LOOK, LAST_KEY, risen, Spectrum, VALUES } from '../core/listening';
import { withBrowser } from './bench-browser';

const RATE = 22_050;
/** After the key is struck: what comes first is the hammer. */
const HAMMER = 0.008;
/** A sample begins where it first reaches this share of its loudest. */
const BEGINS = 0.05;

/** Each third key has a sample of its own: A0, C1, D♯1, F♯1 … C8. */
const EVERY = 3;
const NAMES = ['C', 'D%23', 'F%23', 'A'];
const files = Array.from({ length: 30 }, (_, i) => {
  const midi = FIRST_KEY + EVERY * i;
  return [midi, `${NAMES[(midi % 12) / EVERY]}${Math.floor(midi / 12) - 1}v10.mp3`] as const;
});

await withBrowser(async (browser, origin) => {
  const page = await browser.newPage();
  await page.goto(origin);
  const samples = new Map<number, Float32Array>();
  for (const [midi, file] of files) {
    const values = await page.evaluate(
      async ({ url, rate }) => {
        const bytes = await (await fetch(url)).arrayBuffer();
        const sound = await new OfflineAudioContext(1, rate, rate).decodeAudioData(bytes);
        const channels = Array.from({ length: sound.numberOfChannels }, (_, i) => sound.getChannelData(i));
        return Array.from(channels[0].subarray(0, 2 * rate), (_, i) =>
          channels.reduce((sum, channel) => sum + channel[i] / channels.length, 0),
        );
      },
      { url: `/samples/${file}`, rate: RATE },
    );
    samples.set(midi, Float32Array.from(values));
  }
  const length = Math.round(FULL_LOOK * RATE);
  const spectrum = new Spectrum(RATE, length);
  const shapes = Array.from({ length: LAST_KEY - FIRST_KEY + 1 }, (_, i) => {
    const sound = soundOf(samples, FIRST_KEY + i);
    const loudest = Math.max(...sound.map(Math.abs));
    const begins = sound.findIndex((value) => Math.abs(value) >= BEGINS * loudest);
    const shape = risen(spectrum.of(sound, begins + Math.round(HAMMER * RATE), length), null);
    const most = Math.max(...shape);
    return Array.from(shape, (value) => VALUES[Math.round(((VALUES.length - 1) * value) / most)]).join('');
  });
  const text = `// Written by tools/key-shapes.ts: change it there.

/** What each key sounds like a moment after it is struck, from A0 up: a sign for each band. */
export const SHAPES =
  '${shapes.join('')}';
`;
  writeFileSync(fileURLToPath(new URL('../core/listening/shapesOfPiano.ts', import.meta.url)), text);
});

/** A key as the sampler plays it: the sample nearest to it, faster or slower. */
function soundOf(samples: ReadonlyMap<number, Float32Array>, midi: number): Float32Array {
  const nearest = Math.min(LAST_KEY, FIRST_KEY + EVERY * Math.round((midi - FIRST_KEY) / EVERY));
  const sample = samples.get(nearest) ?? new Float32Array();
  const faster = 2 ** ((midi - nearest) / 12);
  return Float32Array.from({ length: Math.floor((sample.length - 2) / faster) }, (_, i) => {
    const below = Math.floor(i * faster);
    return sample[below] + (i * faster - below) * (sample[below + 1] - sample[below]);
  });
}
