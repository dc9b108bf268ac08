import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { graveFindings } from './axe';
import { arranged, chooseLevel, fromCard, level, openBench, openShelf, openTab } from './pages';
import { test } from './tab';

const LEAD_SHEET = readFileSync(new URL('../demo/files/sluicegate.musicxml', import.meta.url));

test('a song is named, tagged, copied and kept in versions from the shelf, and found by each', async ({
  page,
}) => {
  await openShelf(page);
  const songs = page.getByRole('article');
  const dialog = page.getByRole('dialog');
  await fromCard(page, 'Snow on the Slipway', 'Name, hands and notes');
  await dialog.getByLabel('Title').fill('Snow on the Quay');
  await dialog.locator('nz-select').click();
  await page.keyboard.type('Ann');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(songs.filter({ hasText: 'Snow on the Quay' })).toContainText('Ann');
  await fromCard(page, 'Snow on the Quay', 'Duplicate');
  await expect(page.getByText('“Snow on the Quay (copy)” was added.')).toBeVisible();
  await expect(songs).toHaveCount(7);
  for (const name of ['first level', 'for the concert']) {
    await fromCard(page, 'Snow on the Quay', 'New version of it');
    await expect(dialog.getByRole('button', { name: 'Save' })).toBeDisabled();
    // What is asked for is what the keyboard writes in.
    await expect(dialog.getByLabel('This version is for')).toBeFocused();
    await page.keyboard.type(name);
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(songs.filter({ hasText: name })).toHaveCount(1);
  }
  // Three versions hang under one name.
  await expect(songs).toHaveCount(7);
  expect(await graveFindings(page)).toEqual([]);
  await songs.getByRole('link', { name: 'first level' }).click();
  await arranged(page);
  await expect(page.locator('jh-frame-header .version')).toHaveText('first level');
  await chooseLevel(page, 2);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await songs.getByRole('link', { name: 'for the concert' }).click();
  await arranged(page);
  await expect(level(page)).toHaveText(/^4 /);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page
    .getByLabel('Song file')
    .setInputFiles(
      ['a', 'b'].map((name) => ({ name: `${name}.musicxml`, mimeType: '', buffer: LEAD_SHEET })),
    );
  await expect(songs).toHaveCount(9);
  await expect(page.getByText('11 songs', { exact: true })).toBeVisible();
  const find = page.getByRole('searchbox', { name: 'Find a song' });
  for (const [query, count] of [
    ['ann', 2],
    ['concert', 1],
    ['e g b a g e', 2],
  ] as const) {
    await find.fill(query);
    await expect(songs, query).toHaveCount(count);
  }
  await find.fill('');
  await page.locator('jh-find-row nz-select.tag').click();
  await page.locator('.ant-select-item-option', { hasText: 'Ann' }).click();
  await expect(songs).toHaveCount(2);
});

test('what is put right in the tune of one version is offered to the others', async ({ page }) => {
  await openShelf(page);
  await fromCard(page, 'Lanterns at Low Water', 'New version of it');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('This version is for')).toBeFocused();
  await page.keyboard.type('for Ann');
  await dialog.getByRole('button', { name: 'Save' }).click();
  const version = page.getByRole('article').getByRole('link', { name: 'for Ann' });
  await expect(version).toBeVisible();
  await openBench(page, 'Lanterns at Low Water', 'tune');
  await openTab(page, 'Letters');
  const letters = page.getByRole('textbox', { name: 'Letters' });
  const right = (await letters.inputValue()).replace(/^A4 B C/, 'A4 C C');
  await letters.fill(right);
  await expect(page.getByRole('button', { name: 'Undo', exact: true }).first()).toBeEnabled();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await version.click();
  await arranged(page);
  const offered = page.locator('jh-versions-line');
  await expect(offered).toContainText('differs in bar 1; it was changed later.');
  const second = page.locator('jh-seam .note .letter').nth(1);
  await expect(second).toHaveText('B');
  await offered.getByRole('button', { name: 'Take that tune' }).click();
  await expect(second).toHaveText('C');
  await expect(offered).toBeEmpty();
  await page.keyboard.press('Control+z');
  await expect(second).toHaveText('B');
  await offered.getByRole('button', { name: 'Keep this one' }).click();
  await expect(offered).toBeEmpty();
  await page.reload();
  await arranged(page);
  await expect(second).toHaveText('B');
  await expect(offered).toBeEmpty();
});
