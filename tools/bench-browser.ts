import { type Browser, chromium, type Page } from '@playwright/test';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { writeProject } from '../core/formats';
import { DEFAULT_PROFILE } from '../core/song';
import { COMMON_TIME } from '../core/music';
import { randomSong } from '../core/testing';
import { createApp } from '../server/app';
import { handoutFigures } from './bench-handout';
import { pageFigures } from './bench-pages';
import { logFigures } from './bench-practise';
import { importFigures } from './bench-tune';
import { chromium as debianChromium } from './setup.mjs';
import { chooseLevel } from '../e2e/pages';

export const ARGUMENTS = [
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
    executablePath: debianChromium('whole') ?? undefined,
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
    await editFigures(browser, origin);
    await importFigures(browser, origin);
    await logFigures(browser, origin);
    await handoutFigures(browser, origin);
    await pageFigures(browser);
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

/** Bars of the song that is edited. */
const BARS = 200;
/** So long, in milliseconds, the service worker stores the application after a first visit. */
const STORING_MS = 10_000;
/** Edits of each kind. */
const TIMES = 6;
/** No change of the screen for so long, in milliseconds: it has come to rest. */
const AT_REST_MS = 500;

/** Edits of a long song, each measured from the key or press to the last change of the screen that follows from it. */
async function editFigures(browser: Browser, origin: string): Promise<void> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(origin);
  await page.locator('article').first().waitFor();
  const song = randomSong({ bars: BARS, changesPerBar: 1, seed: 11, metre: COMMON_TIME });
  const file = {
    name: 'long.joined.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeProject({ song, profile: DEFAULT_PROFILE })),
  };
  await page.getByLabel('Song file').setInputFiles(file);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  // The service worker is done storing the application.
  await page.waitForTimeout(STORING_MS);
  await watchScreen(page);
  console.log(
    `\n${BARS} bars, from an edit to the last change on the screen, median and slowest: the part (≤ 100 ms), all (≤ 300 ms)`,
  );
  const edit = async (
    name: string,
    act: (turn: number) => Promise<void>,
    ready?: (turn: number) => Promise<void>,
  ): Promise<void> => {
    const times: Rest[] = [];
    for (let turn = 0; turn < TIMES; turn++) {
      await ready?.(turn);
      times.push(await timed(page, name, () => act(turn)));
    }
    const told = (of: keyof Rest): string => {
      const sorted = times.map((rest) => rest[of]).sort((a, b) => a - b);
      // Where the part is not on screen nothing of it changes.
      return [sorted[TIMES >> 1], sorted[TIMES - 1]]
        .map((ms) => (ms === 0 ? '–' : ms.toFixed(0)).padStart(5))
        .join('');
    };
    console.log(`${name.padEnd(12)} part ${told('part')}   all ${told('all')} ms`);
  };
  await edit('a level', (turn) => chooseLevel(page, turn % 2 ? 4 : 5));
  await edit(
    'a pin',
    () => page.locator('.alternatives .ant-btn', { hasText: 'Take' }).first().click(),
    async (turn) => {
      await page.locator(`[data-change=c${(turn % 2) + 1}] .symbol`).click();
      await page.locator('.alternatives .ant-btn').first().waitFor();
      await page.waitForTimeout(AT_REST_MS);
    },
  );
  await page.keyboard.press('Escape');
  await chooseLevel(page, 5);
  await page.keyboard.press('p');
  await page.locator('jh-patterns-panel').waitFor();
  await page.waitForTimeout(3 * AT_REST_MS);
  // Another each time: what was there a moment ago is remembered, and no measure of a choice.
  const another = (panel: string, turn: number): Promise<void> =>
    page
      .locator(`${panel} jh-offer button`, { hasText: /^ *Take *$/ })
      .filter({ visible: true })
      .nth(turn)
      .click();
  await edit('a pattern', (turn) => another('jh-patterns-panel', turn));
  // What follows is measured on a usual one.
  await page.getByRole('button', { name: 'Take Rocking', exact: true }).click();
  await page.waitForTimeout(2 * AT_REST_MS);
  await page.keyboard.press('f');
  await page.locator('jh-fingers-panel').waitFor();
  await edit(
    'a finger',
    (turn) => page.keyboard.press(String((turn % 5) + 1)),
    async () => {
      await page.keyboard.press('ArrowRight');
      await page.waitForTimeout(2 * AT_REST_MS);
    },
  );
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Chords', exact: true }).click();
  await page.locator('jh-bench-panel').waitFor();
  const selected = async (turn: number): Promise<void> => {
    await page.locator(`[data-change=c${(turn % 2) + 1}] .symbol`).click();
    await page.waitForTimeout(AT_REST_MS);
  };
  await edit('a chord', () => page.keyboard.press('Shift+ArrowUp'), selected);
  await page.locator('jh-bench-panel .tabs label', { hasText: 'Voicing' }).click();
  await page.waitForTimeout(3 * AT_REST_MS);
  await edit('a layout', (turn) => another('jh-styles-panel', turn));
  await page.getByRole('link', { name: 'Parts', exact: true }).click();
  await page.locator('jh-bench-panel').waitFor();
  await page.waitForTimeout(AT_REST_MS);
  await edit('a cut', (turn) => page.keyboard.press(turn % 2 ? 'j' : 'x'));
  const long = await page.evaluate(() => (window as unknown as { long: string[] }).long);
  console.log(
    `main-thread tasks over 50 ms in these ${7 * TIMES} edits: ${long.length}${long.length > 0 ? ` (${long.join(', ')})` : ''}`,
  );
}

/** What the page notes of an edit that is measured: when it began, and when the part and the frame changed last. */
interface Seen {
  begun: number;
  part: number;
  all: number;
  during: string;
}

/** Milliseconds from an edit to the last change of the part on screen, and of the frame. */
interface Rest {
  readonly part: number;
  readonly all: number;
}

/** Notes when the screen changes, leaving aside the panel at the side, whose answers come from another worker. */
async function watchScreen(page: Page): Promise<void> {
  await page.evaluate(() => {
    const seen = window as unknown as Seen & { long: string[] };
    seen.long = [];
    new PerformanceObserver((list) => {
      // What ended before the key or press is the search for the button.
      for (const { startTime, duration } of list.getEntries())
        if (seen.during !== '' && seen.begun > 0 && startTime + duration > seen.begun)
          seen.long.push(`${seen.during}: ${duration} ms`);
    }).observe({ entryTypes: ['longtask'] });
    for (const kind of ['keydown', 'click'])
      document.addEventListener(
        kind,
        () => {
          if (seen.begun === 0) seen.begun = performance.now();
        },
        true,
      );
    new MutationObserver((changes) => {
      const targets = changes.map(({ target }) =>
        target instanceof Element ? target : target.parentElement,
      );
      if (targets.some((at) => at?.closest('jh-song-frame') && !at.closest('aside.reasons')))
        requestAnimationFrame(() => (seen.all = performance.now()));
      if (targets.some((at) => at?.closest('jh-seam')))
        requestAnimationFrame(() => (seen.part = performance.now()));
    }).observe(document.body, { childList: true, subtree: true, attributes: true, characterData: true });
  });
}

async function timed(page: Page, name: string, act: () => Promise<void>): Promise<Rest> {
  await page.evaluate((during) => Object.assign(window, { begun: 0, part: 0, all: 0, during }), name);
  await act();
  await page.waitForTimeout(AT_REST_MS);
  await page.locator('main[aria-busy=false]').waitFor();
  await page.waitForTimeout(AT_REST_MS);
  return page.evaluate(() => {
    const seen = window as unknown as Seen;
    seen.during = '';
    return { part: Math.max(0, seen.part - seen.begun), all: seen.all - seen.begun };
  });
}
