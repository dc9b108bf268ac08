import { expect, type Page } from '@playwright/test';
import { DEMO_SONGS } from '../demo/songs';
import { graveFindings } from './axe';
import { arranged, fromMenu, openBench, openTab } from './pages';
import { test } from './tab';

const [lanterns, , , mudflat] = DEMO_SONGS;
const setting = (page: Page, name: string, choice: string) =>
  page.getByRole('radiogroup', { name }).locator('label', { hasText: choice }).click();

test('a pupil with small hands has a profile, a song is arranged for it, and its notes are printed', async ({
  page,
}) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'New profile' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Ann');
  await page.getByLabel('Name', { exact: true }).press('Tab');
  await setting(page, 'Left hand', 'Sixth');
  await setting(page, 'Keyboard', '61 keys');
  await setting(page, 'Lengths', 'Inches');
  await expect(page.getByText('4.6 in from key centre')).toBeVisible();
  await page.goto(`/song/${lanterns.id}`);
  await arranged(page);
  const piano = page.locator('jh-keyboard svg rect');
  await expect(piano).toHaveCount(88);
  await fromMenu(page, 'Name, hands and notes');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Title')).toBeFocused();
  await dialog.locator('nz-select').last().click();
  await page.locator('.ant-select-item-option', { hasText: 'Ann' }).click();
  await dialog.getByLabel('Notes for who plays it').fill('Count aloud in bar 4.');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(piano).toHaveCount(61);
  await page.goto(`/song/${lanterns.id}/handout`);
  await expect(page.locator('section[aria-label^="Page 1"]')).toContainText('Count aloud in bar 4.');
  // The profile is deleted: the song says so and is arranged for the first.
  await page.goto('/settings');
  await page.locator('nz-select').first().click();
  await page.locator('.ant-select-item-option', { hasText: 'Ann' }).click();
  await page.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByText('“Ann” was deleted.')).toBeVisible();
  await page.goto(`/song/${lanterns.id}`);
  await expect(page.getByRole('alert')).toContainText(
    'is not on this device, so the song is arranged for “Me”.',
  );
});

test('notes are named in German wherever they are told and typed, and the stage is dark', async ({
  page,
}) => {
  await page.goto('/settings');
  await setting(page, 'Colours', 'Stage');
  await setting(page, 'Names of notes', 'German');
  // The page begins anew in them.
  await expect(page.getByText('49 keys')).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('article').filter({ hasText: mudflat.title })).toContainText('B major');
  await openBench(page, mudflat.title, 'chords');
  await arranged(page);
  await page.locator('[data-change=c2] .symbol').click();
  await expect(page.locator('[data-change=c2] .symbol')).toHaveText('Hdim7');
  const written = page.getByLabel('Written');
  await expect(written).toHaveValue('Hdim7');
  await written.fill('B7');
  await written.press('Enter');
  await expect(page.locator('[data-change=c2] .symbol')).toHaveText('B7');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.locator('[data-change=c2] .symbol')).toHaveText('Hdim7');
  expect(await graveFindings(page)).toEqual([]);
  // Paper is white, whatever the screen is.
  const ground = (): Promise<string> => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(await ground()).toBe('rgb(0, 0, 0)');
  await page.emulateMedia({ media: 'print' });
  await expect.poll(ground).toBe('rgb(255, 255, 255)');
  await page.emulateMedia({ media: 'screen' });
  await openBench(page, lanterns.title, 'tune');
  await openTab(page, 'Letters');
  const letters = page.getByRole('textbox', { name: 'Letters' });
  await expect(letters).toHaveValue(/^A4 H C H A F/);
  await letters.fill('A4 B H');
  await openTab(page, 'In words');
  await expect(page.locator('jh-told-panel')).toContainText('A, up to B');
});
