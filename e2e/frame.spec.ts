import { expect } from '@playwright/test';
import { arranged, openFromShelf, openSong, chooseLevel, level } from './pages';
import { test } from './tab';

test('a bench that cannot be loaded says so, the others work, and it comes when it is asked for again', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  let isBroken = true;
  await page.route('**/*.js', (route) => (isBroken ? route.abort() : route.continue()));
  await page.getByRole('link', { name: 'Chords', exact: true }).click();
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('The Chords bench could not be loaded');
  await expect(alert).toContainText('The other benches work.');
  await page.getByRole('link', { name: 'Join', exact: true }).click();
  await expect(page.locator('jh-seam .symbol').first()).toBeVisible();
  await expect(alert).toBeHidden();
  await page.getByRole('link', { name: 'Chords', exact: true }).click();
  await expect(alert).toBeVisible();
  isBroken = false;
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.locator('jh-bench-panel')).toBeVisible();
  await expect(alert).toBeHidden();
});

test('back and forward between two songs show, and edit, the song of the address', async ({ page }) => {
  const title = page.getByRole('textbox', { name: 'Title' });
  await openFromShelf(page, 'Lanterns at Low Water');
  await page.getByRole('link', { name: /Shelf/ }).click();
  await page.getByRole('link', { name: 'Sluicegate Song' }).click();
  await arranged(page);
  await page.evaluate(() => history.go(-2));
  await expect(title).toHaveValue('Lanterns at Low Water');
  await arranged(page);
  await chooseLevel(page, 5);
  await expect(level(page)).toHaveText(/^5 /);
  await page.evaluate(() => history.go(2));
  await expect(title).toHaveValue('Sluicegate Song');
  await arranged(page);
  await expect(level(page)).toHaveText(/^4 /);
  await page.evaluate(() => history.go(-2));
  await expect(title).toHaveValue('Lanterns at Low Water');
  await expect(level(page)).toHaveText(/^5 /);
});
