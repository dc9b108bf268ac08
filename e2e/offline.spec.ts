import { expect, type Page, test } from '@playwright/test';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../server/app';
import { arranged, chooseLevel, openShelf, watch } from './pages';

test.use({ serviceWorkers: 'allow' });

/** Waits until the whole application and its sounds are stored. */
async function stored(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect
    .poll(() => page.evaluate(async () => (await (await caches.open('samples-1')).keys()).length))
    .toBe(30);
}

test('away from the network everything works: shelf, every bench, sound, export, a new song', async ({
  page,
  context,
}) => {
  test.setTimeout(240_000);
  const watched = watch(page);
  await openShelf(page);
  const policy = (await page.request.get('/')).headers()['content-security-policy'];
  await stored(page);
  // A browser that can install the page offers it where the songs are.
  await page.evaluate(() => {
    const event = new Event('beforeinstallprompt', { cancelable: true });
    Object.assign(event, { prompt: () => Promise.resolve(document.body.classList.add('installed')) });
    window.dispatchEvent(event);
  });
  await page.getByRole('button', { name: 'Install on this machine' }).click();
  await expect(page.locator('body.installed')).toBeAttached();
  await expect(page.getByRole('button', { name: 'Install on this machine' })).toHaveCount(0);
  await context.setOffline(true);
  const answer = await page.reload();
  await expect(page.getByRole('article')).toHaveCount(6);
  // As strict as from the network: the stored page has the policy it came with.
  const strip = (text: string | undefined) => text?.replace(/'nonce-[^']*'/, 'nonce');
  expect(strip((await answer?.allHeaders())?.['content-security-policy'])).toBe(strip(policy));

  await page.getByRole('link', { name: 'Sluicegate Song' }).click();
  await arranged(page);
  for (const bench of ['Tune', 'Parts', 'Chords', 'Join', 'Fills', 'Practise', 'Handout']) {
    await page.getByRole('link', { name: bench, exact: true }).click();
    await expect(page.locator('aside.reasons')).toContainText(/\w{3}/);
  }
  await page.getByRole('button', { name: 'Add Full score' }).click();
  await expect(page.locator('.pages .page path').first()).toBeAttached();
  await page.getByRole('link', { name: 'Join', exact: true }).click();
  await page.keyboard.press('s');
  await expect(page.locator('jh-staff .staff > svg').first()).toBeVisible();
  await page.keyboard.press('s');
  await page.getByRole('button', { name: 'Play part 1' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  // The grand itself, not the tone that stands in for it.
  await expect(page.getByText('simple tone')).toHaveCount(0);
  await page.locator('jh-frame-header summary').click();
  await page.locator('.menu').getByText('Export', { exact: true }).click();
  const exported = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MIDI', exact: true }).click();
  expect((await readFile(await (await exported).path())).subarray(0, 4).toString()).toBe('MThd');
  await page.keyboard.press('Escape');

  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'Write chords' }).click();
  await page.getByRole('dialog').getByRole('textbox').first().fill('Away from the net');
  await page.getByRole('dialog').locator('textarea').fill('| C | F | G | C |');
  await page.getByRole('dialog').getByRole('button', { name: 'Make it a song' }).click();
  await arranged(page);
  await page.reload();
  await arranged(page);
  expect(watched.errors.filter((text) => !text.includes('ERR_INTERNET_DISCONNECTED'))).toEqual([]);
  expect(watched.outside).toEqual([]);
});

test.describe('a new version', () => {
  let folder = '';
  let server: Server;
  test.beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'jh-app-'));
    cpSync('dist/app', folder, { recursive: true });
    server = createApp(folder).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
  });
  test.afterAll(() => {
    server.close();
    rmSync(folder, { recursive: true, force: true });
  });

  test('says so, is taken when the pianist wants, and loses no edit', async ({ page }) => {
    const origin = `http://localhost:${(server.address() as AddressInfo).port}`;
    await page.goto(origin);
    await expect(page.getByRole('article')).toHaveCount(6);
    await stored(page);
    // Another build: its page says so, its worker has another name for what it stores.
    const path = join(folder, 'service-worker.js');
    const worker = readFileSync(path, 'utf8');
    expect(worker).toMatch(/page-[0-9a-f]{16}/);
    writeFileSync(path, worker.replace(/page-[0-9a-f]{16}/g, 'page-of-another-build'));
    const index = join(folder, 'index.html');
    writeFileSync(
      index,
      readFileSync(index, 'utf8').replace('<title>', '<meta name="build" content="new" /><title>'),
    );
    await page.reload();
    const offer = page.getByRole('status').filter({ hasText: 'A new version of Joined Hands is here' });
    await expect(offer).toBeVisible();
    await page.getByRole('link', { name: 'Lanterns at Low Water' }).click();
    await arranged(page);
    await page.keyboard.press('ArrowRight');
    await chooseLevel(page, 2);
    await page.locator('jh-frame-header summary', { hasText: 'More •' }).click();
    await page.getByRole('button', { name: 'Update' }).click();
    await expect(page.locator('meta[name=build]')).toBeAttached();
    await arranged(page);
    await expect(page.locator('jh-transport')).toContainText('Melody and bass');
    await expect(page.locator('jh-frame-header summary')).toHaveText('More');
  });
});
