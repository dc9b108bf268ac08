import { expect, type Page } from '@playwright/test';
import { graveFindings } from './axe';
import { arranged, fromMenu, openBench, watch } from './pages';
import { test } from './tab';

async function openFills(page: Page, title: string): Promise<void> {
  await openBench(page, title, 'fills');
  await page.getByRole('button', { name: /Go up to level 7/ }).click();
  await expect(page.locator('jh-transport')).toContainText('Fills and endings');
  await arranged(page);
}

test('a fill is heard, taken, changed note by note and left out, by keyboard', async ({ page }) => {
  const watched = watch(page);
  await openFills(page, 'Lanterns at Low Water');
  for (const bar of ['Bar 1', 'Bar 2', 'Bar 3', 'Bar 4']) {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('heading', { name: new RegExp(`^${bar},`) })).toBeVisible();
  }
  const panel = page.locator('jh-places-panel');
  await panel.getByRole('button', { name: /^Take Bass walk/ }).click();
  await arranged(page);
  await expect(panel.locator('.heard b')).toHaveText('Bass walk, by step from below');
  const letters = (): Promise<string[]> => page.locator('jh-seam .block.fill .letter').allTextContents();
  await expect.poll(letters).toEqual(['F♯', 'G♯']);
  await panel.locator('.key', { hasText: 'F♯2' }).click();
  await panel.getByRole('button', { name: 'Down', exact: true }).click();
  await expect.poll(letters).toEqual(['F', 'G♯']);
  await panel.getByRole('button', { name: 'Once more' }).click();
  await expect(panel.getByRole('alert')).toContainText('There is no room for that');
  await page.keyboard.press('Control+z');
  await expect.poll(letters).toEqual(['F♯', 'G♯']);
  await page.getByRole('heading', { name: /^Bar 4,/ }).click();
  await panel.getByRole('button', { name: /^Leave out Bass walk/ }).click();
  await expect.poll(letters).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Where there is room' })).toBeVisible();
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
  expect(watched.errors).toEqual([]);
});

test('a whole version is heard and undone in one step; an intro and an ending frame the song and are left out of a file', async ({
  page,
}) => {
  await openFills(page, 'Snow on the Slipway');
  await page.keyboard.press('m');
  const version = page.locator('jh-version-panel');
  const count = async (): Promise<number> =>
    Number(/^\d+/.exec((await version.locator('p[aria-live]').textContent()) ?? '')?.[0] ?? 0);
  await expect.poll(count).toBeGreaterThan(0);
  const few = await count();
  await version.getByText('Many', { exact: true }).click();
  await expect.poll(count).toBeGreaterThan(few);
  await page.keyboard.press('Control+z');
  await expect.poll(count).toBe(few);

  await page.keyboard.press('f');
  const frame = page.locator('jh-frame-panel');
  await frame.getByRole('button', { name: /^Take The last phrase, its tune/ }).click();
  await arranged(page);
  await frame.getByRole('button', { name: /^Take Plagal/ }).click();
  await arranged(page);
  const names = page.locator('jh-parts-rail .name');
  await expect(names.first()).toHaveText(/^Intro\s*$/);
  await expect(names.last()).toHaveText(/^Ending\s*$/);
  await expect(names).toHaveCount(7);
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);

  await fromMenu(page, 'Export');
  await page.getByText('With intro, interludes and ending').click();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Walkthrough', exact: true }).click();
  const file = await (await saved).createReadStream();
  let text = '';
  for await (const part of file) text += String(part);
  expect(text).toContain('20 bars');
  expect(text).not.toContain('Intro');
  await page.keyboard.press('Escape');

  await frame.getByRole('button', { name: 'Remove Intro' }).click();
  await expect(names).toHaveCount(6);
  await page.keyboard.press('Control+z');
  await expect(names).toHaveCount(7);
});

test('strains grow, and are given back', async ({ page }) => {
  await openFills(page, 'Lanterns at Low Water');
  await page.keyboard.press('6');
  await page.keyboard.press('g');
  const panel = page.locator('jh-growth-panel');
  await panel.getByRole('button', { name: 'Take all' }).click();
  await arranged(page);
  await expect(panel.locator('.heard')).toHaveCount(4);
  await panel.getByRole('button', { name: 'Remove all' }).click();
  await expect(panel.locator('.heard')).toHaveCount(0);
});

test('the plan of the song is moved by keyboard, heard in both hands, and given back', async ({ page }) => {
  await openFills(page, 'Lanterns at Low Water');
  await page.keyboard.press('g');
  const plan = page.getByRole('region', { name: 'Plan of the song' });
  const first = plan.getByRole('slider', { name: 'Phrase 1, bars 1–4' });
  await expect(first).toHaveAttribute('aria-valuetext', /^30 of 100: the first phrase is plain/);
  const notes = page.locator('jh-seam .note');
  const before = await notes.count();
  await first.focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  await arranged(page);
  await expect(plan).toContainText('Phrase 1, bars 1–4: 60 of 100: set by you');
  await expect.poll(() => notes.count()).toBeGreaterThan(before);
  await plan.getByRole('button', { name: 'As proposed' }).click();
  await expect(plan).toContainText('Phrase 1, bars 1–4: 30 of 100');
  await expect(notes).toHaveCount(before);
});
