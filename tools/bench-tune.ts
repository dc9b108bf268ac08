// How fast files come in and how well takes are read: part of npm run bench.
import type { Browser } from '@playwright/test';
import { arrange } from '../core/arrange';
import { easierKeys } from '../core/effort';
import { openFile, readTune, writeMidi, writeMusicXml, writeTune } from '../core/formats';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../core/song';
import { playSimulated } from '../core/takes';
import { randomSong } from '../core/testing';

interface BigFile {
  readonly name: string;
  readonly bytes: Uint8Array;
  readonly promise: string;
}

/** A score of about 1 MB, a MIDI file of 10,000 notes as played by hand, and one as written. */
function bigFiles(): BigFile[] {
  const score = arranged(randomSong({ bars: 330, changesPerBar: 1, seed: 21 }));
  const long = arranged(randomSong({ bars: 1500, changesPerBar: 2, seed: 22 }));
  return [
    { name: 'score.musicxml', bytes: new TextEncoder().encode(writeMusicXml(score)), promise: '≤ 2,000 ms' },
    { name: 'written.mid', bytes: writeMidi(long), promise: '≤ 2,000 ms' },
    { name: 'played.mid', bytes: playedByHand(10_000), promise: '≤ 2,000 ms' },
  ];
}

function arranged(song: Song): ReturnType<typeof arrange> {
  return arrange(applyEdit(song, { kind: 'choose', choices: { level: 4 } }), DEFAULT_PROFILE, {
    withoutFingers: true,
  });
}

/** A file of so many notes with human timing: ticks follow the simulated pianist. */
function playedByHand(notes: number): Uint8Array {
  const song = randomSong({ bars: 1, changesPerBar: 1, seed: 5 });
  const tune = Array.from({ length: notes }, (_, i) => ({
    beat: i / 2,
    beats: 0.5,
    midi: 60 + ((i * 5) % 13),
  }));
  const events = playSimulated(tune, {
    quartersPerMinute: 120,
    seed: 3,
    spreadSeconds: 0.02,
    lateSeconds: 0,
    mistakes: [],
  });
  const down = new Map<number, number>();
  const melody: Song['melody'][number][] = [];
  for (const { seconds, midi, velocity } of events) {
    const tick = Math.round(seconds * 2 * 960);
    const since = down.get(midi);
    if (velocity > 0) down.set(midi, tick);
    else if (since !== undefined)
      melody.push({
        ...song.melody[0],
        id: `n${melody.length}`,
        tick: since,
        length: Math.max(1, tick - since),
        pitch: { letter: 'C', alter: 0, octave: 4 },
      });
  }
  const bars = Math.ceil(notes / 2 / 4) + 1;
  const base: Song = {
    ...song,
    melody,
    changes: [],
    pickup: 0,
    barCount: bars,
    metreMap: [{ tick: 0, numerator: 4, denominator: 4 }],
  };
  return writeMidi(
    arrange({ ...base, choices: { ...base.choices, level: 1 } }, DEFAULT_PROFILE, { withoutFingers: true }),
  );
}

function once(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

/** Reading in Node, without the browser around it. */
export function tuneFigures(): void {
  console.log('\nreading a file                size       notes       time    promised');
  for (const { name, bytes, promise } of bigFiles()) {
    let notes = 0;
    const ms = once(() => {
      const opened = openFile(name, bytes, 'id');
      notes = opened.kind === 'tunes' ? opened.tunes[0].song.melody.length : 0;
    });
    const size = `${(bytes.length / 1024 / 1024).toFixed(2)} MB`;
    console.log(
      `${name.padEnd(24)} ${size.padStart(9)} ${String(notes).padStart(11)} ${ms.toFixed(0).padStart(7)} ms    ${promise}`,
    );
  }
  const song = randomSong({ bars: 200, changesPerBar: 1, seed: 11 });
  const typed = writeTune(song);
  console.log(
    `letters and counts of 200 bars written and read back: ${once(() => readTune(writeTune(song), song)).toFixed(0)} ms (${typed.letters.length + typed.counts.length} characters)`,
  );
  console.log(
    `twelve keys of 200 bars ranked, each voiced anew: ${once(() => easierKeys(song, DEFAULT_PROFILE)).toFixed(0)} ms`,
  );
}

/** The same files opened in the browser: time to the seam or the choice, and whether the interface stayed live. */
export async function importFigures(browser: Browser, origin: string): Promise<void> {
  for (const { name, bytes, promise } of bigFiles()) {
    const page = await (await browser.newContext()).newPage();
    await page.goto(origin);
    await page.locator('article').first().waitFor();
    await page.evaluate(() => {
      const store = window as unknown as { long: number[] };
      store.long = [];
      new PerformanceObserver((list) =>
        list.getEntries().forEach((e) => store.long.push(e.duration)),
      ).observe({
        entryTypes: ['longtask'],
      });
    });
    const start = performance.now();
    await page.getByLabel('Song file').setInputFiles({ name, mimeType: '', buffer: Buffer.from(bytes) });
    // The part sent first is that of the finished song: with its notes on screen it is right.
    await page.locator('jh-tune-choice, jh-seam .note').first().waitFor({ timeout: 60_000 });
    const ms = performance.now() - start;
    await page.locator('jh-tune-choice, main[aria-busy=false] jh-seam').first().waitFor({ timeout: 60_000 });
    const whole = performance.now() - start;
    const long = await page.evaluate(() => (window as unknown as { long: number[] }).long);
    const longest = long.length > 0 ? ` (longest ${Math.max(...long).toFixed(0)} ms)` : '';
    console.log(
      `${name} in the browser: first part ${ms.toFixed(0)} ms (${promise}), all of it ${whole.toFixed(0)} ms; main-thread tasks over 50 ms: ${long.length}${longest}`,
    );
    await page.context().close();
  }
}
