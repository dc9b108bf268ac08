import type { Browser, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { BackupWriter, writeProject } from '../core/formats';
import { DEFAULT_PROFILE } from '../core/song';
import { randomSong } from '../core/testing';

const BARS = 200;
const SONGS = 200;
/** Songs of a backup are as long as songs are. */
const SONG_BARS = 32;

/** Sheets of a long song, a backup of many songs, and the first screen away from the network. */
export async function handoutFigures(browser: Browser, origin: string): Promise<void> {
  console.log('\nhandout, backup, away from the network');
  await layingOut(await opened(browser, origin));
  await printing(await opened(browser, origin), origin);
  await backingUp(browser, origin);
  await awayFromTheNet(browser, origin);
}

async function opened(browser: Browser, origin: string): Promise<Page> {
  const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await page.goto(origin);
  await page.locator('article').first().waitFor();
  return page;
}

async function layingOut(page: Page): Promise<void> {
  const song = randomSong({ bars: BARS, changesPerBar: 1, seed: 11 });
  const buffer = Buffer.from(writeProject({ song, profile: DEFAULT_PROFILE }));
  await page.getByLabel('Song file').setInputFiles({ name: 'long.joined.json', mimeType: '', buffer });
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.getByRole('link', { name: 'Handout', exact: true }).click();
  await page.locator('.pages .page').first().waitFor();
  for (const sheet of ['Part sheets', 'Full score']) {
    const inList = page.getByRole('button', { name: `Remove ${sheet}`, exact: true });
    if (await inList.count()) await inList.click();
    await page.waitForTimeout(1500);
    const before = await page.locator('.pages .page').count();
    const start = performance.now();
    await page.getByRole('button', { name: `Add ${sheet}`, exact: true }).click();
    await page.locator('.pages .page').nth(before).waitFor({ state: 'attached' });
    const ms = performance.now() - start;
    const count = (await page.locator('.pages .page').count()) - before;
    console.log(
      `${BARS} bars, ${sheet.toLowerCase()}: ${count} pages laid out in ${ms.toFixed(0)} ms (≤ 2,000)`,
    );
  }
}

/** Every sheet of every demo song, printed: as many pages as are shown, and nothing of them beyond its edge. */
async function printing(page: Page, origin: string): Promise<void> {
  let [shown, printed, beyond] = [0, 0, 0];
  for (const song of ['lanterns', 'sluicegate', 'rain', 'mudflat', 'jig', 'snow']) {
    await page.goto(`${origin}/song/demo-${song}/handout`);
    await page.locator('.pages .page').first().waitFor();
    const more = page.getByRole('list', { name: 'More sheets' }).getByRole('button');
    const names = await more.evaluateAll((all) =>
      all.map((button) => button.getAttribute('aria-label') ?? ''),
    );
    for (const name of names) await page.getByRole('button', { name, exact: true }).click();
    for (const choice of ['A4', 'Letter', 'Large print', 'Landscape']) {
      await page.locator('jh-handout-panel label', { hasText: choice }).click();
      await page.evaluate('new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn)))');
      await page.getByText('pages, as they are shown.').waitFor();
      shown += await page.locator('.pages .page').count();
      const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
      printed += pdf.match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;
      beyond += await page.evaluate(() =>
        [...document.querySelectorAll('.pages .page > svg')]
          .map((svg) => {
            const paper = svg.getBoundingClientRect();
            return [...svg.querySelectorAll('text, rect, line, circle, path')].filter((drawn) => {
              const { left, right, top, bottom } = drawn.getBoundingClientRect();
              return left < paper.left || right > paper.right || top < paper.top || bottom > paper.bottom;
            }).length;
          })
          .reduce((sum, count) => sum + count, 0),
      );
    }
  }
  console.log(
    `every sheet of six songs on four papers: ${shown} pages shown, ${printed} printed, ${beyond} things beyond an edge (0)`,
  );
}

async function backingUp(browser: Browser, origin: string): Promise<void> {
  const writer = new BackupWriter([DEFAULT_PROFILE]);
  for (let i = 0; i < SONGS; i++) {
    const song = randomSong({ bars: SONG_BARS, changesPerBar: 1, seed: i });
    writer.add({ song: { ...song, id: `song-${i}`, title: `Song ${i}` } });
  }
  const page = await opened(browser, origin);
  const restored = page.getByText(/songs? (was|were) added/);
  const start = performance.now();
  const file = { name: 'all.joined.zip', mimeType: '', buffer: Buffer.from(writer.finish()) };
  await page.getByLabel('Song file').setInputFiles(file);
  await restored.waitFor({ timeout: 120_000 });
  const into = performance.now() - start;
  const said = (await restored.innerText()).split('.')[0];
  const from = performance.now();
  const taken = page.waitForEvent('download', { timeout: 120_000 });
  await page.getByRole('button', { name: 'Back up all songs' }).click();
  const bytes = readFileSync(await (await taken).path()).length;
  console.log(
    `backup of ${SONGS} songs: restored in ${(into / 1000).toFixed(1)} s (${said}), written in ${((performance.now() - from) / 1000).toFixed(1)} s, ${(bytes / 1024 / 1024).toFixed(1)} MB (≤ 10 s each)`,
  );
}

async function awayFromTheNet(browser: Browser, origin: string): Promise<void> {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(origin);
  await page.locator('article').first().waitFor();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.waitForTimeout(6000);
  await context.setOffline(true);
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    const other = await context.newPage();
    const start = performance.now();
    await other.goto(origin);
    await other.locator('article').first().waitFor();
    times.push(performance.now() - start);
    await other.close();
  }
  times.sort((a, b) => a - b);
  console.log(`first screen from the store: ${times[2].toFixed(0)} ms (median of 5; ≤ 800)`);
}
