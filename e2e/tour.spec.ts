import { expect } from '@playwright/test';
import { arranged, openShelf } from './pages';
import { test } from './tab';

test('the tour leads through one song, is left, taken up again, and walked to its end', async ({ page }) => {
  await openShelf(page);
  const offer = page.locator('jh-guide-offer');
  await offer.getByRole('button', { name: 'Begin' }).click();
  const way = page.getByRole('region', { name: 'The tour' });
  await expect(way).toContainText('1 of 6 · Cut it into parts.');
  await expect(page).toHaveURL(/demo-lanterns\/parts$/);
  // Each step says what to press, and knows when it was done.
  const next = way.getByRole('button', { name: 'Next step' });
  await expect(way.getByRole('button', { name: 'Skip this step' })).toBeVisible();
  await expect(page.locator('main[aria-busy=false]')).toBeVisible();
  await page.keyboard.press('2');
  await expect(way).toContainText('✓ Done.');
  await next.click();
  await expect(way).toContainText('2 of 6 · The right hand.');
  await expect(page).toHaveURL(/demo-lanterns\/tune$/);
  // The keys mean the song again, not the button that was pressed.
  await expect(page.locator('main')).toBeFocused();
  await way.getByRole('button', { name: 'End tour' }).click();
  await expect(way).toHaveCount(0);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(offer).toContainText('You stopped the tour at step 2 of 6.');
  await page.reload();
  await offer.getByRole('button', { name: 'Go on' }).click();
  await expect(page).toHaveURL(/demo-lanterns\/tune$/);
  await arranged(page);
  await page.keyboard.press('r');
  await next.click();
  await expect(way).toContainText('The chords of the left hand');
  await arranged(page);
  await page.keyboard.press('ArrowRight');
  // The voicings are worked out while one looks.
  await expect(async () => {
    for (const key of ['ArrowDown', 'Enter']) await page.keyboard.press(key);
    await expect(next).toBeVisible({ timeout: 2000 });
  }).toPass();
  await next.click();
  await expect(way).toContainText('Where the hands meet');
  for (const title of ['Join the hands', 'Practise']) {
    await way.getByRole('button', { name: 'Skip this step' }).click();
    await expect(way).toContainText(title);
  }
  await page.keyboard.press('Space');
  await way.getByRole('button', { name: 'Finish' }).click();
  await expect(way).toContainText('Now your own song');
  const choosing = page.waitForEvent('filechooser');
  await way.getByRole('link', { name: 'Open a file' }).click();
  await choosing;
  await page.goBack();
  await way.getByRole('link', { name: 'Type a tune' }).click();
  await expect(page.getByRole('dialog', { name: 'Type a tune' })).toBeVisible();
  // Once: a page loaded again begins nothing.
  await expect(page).toHaveURL(/\/$/);
  await page.reload();
  await expect(page.getByRole('article')).toHaveCount(6);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(offer.getByRole('status')).toHaveCount(0);
});
