import { expect, type Page } from '@playwright/test';

/** Opens the shelf with its demo songs. */
export async function openShelf(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('article')).not.toHaveCount(0);
}

/** Opens a song of the shelf and waits for its seam. */
export async function openSong(page: Page, title: string): Promise<void> {
  await openShelf(page);
  await page.getByRole('link', { name: title }).click();
  await arranged(page);
}

/** Waits until the whole arrangement is on screen. */
export async function arranged(page: Page): Promise<void> {
  await expect(page.locator('main[aria-busy=false] jh-seam .symbol').first()).toBeVisible();
}

/** Chooses chord positions for the song on the Join bench. */
export async function chooseLayout(page: Page, name: string): Promise<void> {
  await page.locator('jh-reasons nz-select').first().click();
  await page.locator('.ant-select-item-option', { hasText: name }).click();
}

/** Collects what would be wrong on any page: errors in the console and requests that leave the origin. */
export function watch(page: Page): { readonly errors: string[]; readonly outside: string[] } {
  const errors: string[] = [];
  const outside: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  page.on('request', (request) => {
    const url = new URL(request.url());
    if (/^https?:$/.test(url.protocol) && url.hostname !== 'localhost') outside.push(request.url());
  });
  return { errors, outside };
}

/** Presses an entry of the menu in the header of a song. */
export async function fromMenu(page: Page, name: string): Promise<void> {
  await page.locator('summary', { hasText: 'More' }).click();
  await page.locator('.menu').getByText(name, { exact: true }).click();
}
