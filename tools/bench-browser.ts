import { type Browser, chromium, type Page } from '@playwright/test';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { writeProject } from '../core/formats';
import { DEFAULT_PROFILE } from '../core/song';
import { randomSong } from '../core/testing';
import { createApp } from '../server/app';
import { importFigures } from './bench-tune';

const ARGUMENTS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
];

/** Serves the built application for a measurement or a picture and closes everything after it. */
export async function withBrowser(work: (browser: Browser, origin: string) => Promise<void>): Promise<void> {
  const folder = fileURLToPath(new URL('../dist/app', import.meta.url));
  const server = createApp(folder).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
    args: ARGUMENTS,
  });
  try {
    await work(browser, `http://localhost:${port}`);
  } finally {
    await browser.close();
    server.close();
  }
}

/** First screen from a cold cache, the weight of the initial JavaScript, and an edit on a song of 200 bars. */
export async function browserFigures(): Promise<void> {
  await withBrowser(async (browser, origin) => {
    await firstScreen(browser, origin);
    await editing(browser, origin);
    await importFigures(browser, origin);
  });
}

async function firstScreen(browser: Browser, origin: string): Promise<void> {
  const times: number[] = [];
  let bytes = 0;
  for (let i = 0; i < 5; i++) {
    const context = await browser.newContext();
    const page = await context.newPage();
    const start = performance.now();
    await page.goto(origin);
    await page.locator('article').first().waitFor();
    times.push(performance.now() - start);
    bytes = await page.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .filter((e) => /\.js$/.test(e.name) && !e.name.includes('worker'))
        .reduce((sum, e) => sum + (e as PerformanceResourceTiming).encodedBodySize, 0),
    );
    await context.close();
  }
  times.sort((a, b) => a - b);
  console.log(
    `\nfirst screen, cold cache: ${times[2].toFixed(0)} ms (median of 5); JavaScript loaded for it: ${(bytes / 1024).toFixed(0)} kB compressed`,
  );
}

async function editing(browser: Browser, origin: string): Promise<void> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(origin);
  await page.locator('article').first().waitFor();
  const song = randomSong({ bars: 200, changesPerBar: 1, seed: 11 });
  const file = {
    name: 'long.joined.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeProject({ song, profile: DEFAULT_PROFILE })),
  };
  await page.getByLabel('Song file').setInputFiles(file);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.evaluate(() => {
    const store = window as unknown as { long: number[] };
    store.long = [];
    new PerformanceObserver((list) => list.getEntries().forEach((e) => store.long.push(e.duration))).observe({
      entryTypes: ['longtask'],
    });
  });
  const rungs: number[] = [];
  for (let i = 0; i < 6; i++) rungs.push(await timeEdit(page, '.rungs label', i % 2 === 0 ? '5' : '4'));
  const pins: number[] = [];
  for (let i = 1; i <= 4; i++) {
    await page.locator(`[data-change=c${i}] .symbol`).click();
    await page.locator('.alternatives .ant-btn').first().waitFor();
    pins.push(await timeEdit(page, '.alternatives .ant-btn', 'Take'));
  }
  const long = await page.evaluate(() => (window as unknown as { long: number[] }).long);
  console.log(
    `200 bars: the part on screen is right again ${spread(rungs)} after a new rung, ${spread(pins)} after a pin`,
  );
  console.log(
    `main-thread tasks over 50 ms in these ${rungs.length + pins.length} edits: ${long.length}${long.length > 0 ? ` (longest ${Math.max(...long).toFixed(0)} ms)` : ''}`,
  );
}

function spread(times: number[]): string {
  const sorted = [...times].sort((a, b) => a - b);
  return `${sorted[sorted.length >> 1].toFixed(0)} ms (slowest ${sorted[sorted.length - 1].toFixed(0)} ms)`;
}

/** From a press to the first frame in which the part on screen shows what it did. */
async function timeEdit(page: Page, selector: string, text: string): Promise<number> {
  const elapsed = await page.evaluate(
    async ([where, wanted]) => {
      const control = [...document.querySelectorAll<HTMLElement>(where)].find(
        (e) => e.textContent?.trim() === wanted,
      );
      const seam = document.querySelector('jh-seam svg') as SVGElement;
      return new Promise<number>((resolve) => {
        const start = performance.now();
        const observer = new MutationObserver(() => {
          observer.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        });
        observer.observe(seam, { childList: true, subtree: true, attributes: true, characterData: true });
        control?.click();
      });
    },
    [selector, text],
  );
  await page.locator('main[aria-busy=false]').waitFor();
  await page.waitForTimeout(800);
  return elapsed;
}
