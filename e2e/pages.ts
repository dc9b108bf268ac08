import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { readProject } from '../core/formats';
import type { Song } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';

/** Opens the shelf with its demo songs. */
export async function openShelf(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('article')).not.toHaveCount(0);
}

/** Opens a demo song by its address, as from a bookmark, and waits for its seam; the way over the shelf is a journey of its own. */
export async function openSong(page: Page, title: string): Promise<void> {
  const id = DEMO_SONGS.find((song) => song.title === title)?.id;
  await page.goto(`/song/${id}`);
  await arranged(page);
}

/** Opens a bench of a demo song by its address; the way over the header is a journey of its own. */
export async function openBench(page: Page, title: string, bench: string): Promise<void> {
  const id = DEMO_SONGS.find((song) => song.title === title)?.id;
  await page.goto(`/song/${id}/${bench}`);
  await expect(page.locator('main[aria-busy=false]')).toBeVisible();
}

/** Opens a song from its card on the shelf. */
export async function openFromShelf(page: Page, title: string): Promise<void> {
  await openShelf(page);
  await page.getByRole('link', { name: title }).click();
  await arranged(page);
}

/** Waits until the whole arrangement is on screen. */
export async function arranged(page: Page): Promise<void> {
  await expect(page.locator('main[aria-busy=false] jh-seam .symbol').first()).toBeVisible();
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
  await page.locator('jh-frame-header summary').click();
  await page.locator('jh-frame-header .menu').getByText(name, { exact: true }).click();
}

/** A heading of the task of now. */
export const title = (page: Page, name: string | RegExp) =>
  page.locator('jh-now-panel').getByRole('heading', { name });

/** The Practise bench, each task begun at the full tempo and passed by one clean turn, so that a journey is short. */
export async function openPractise(page: Page, song: string): Promise<void> {
  await openBench(page, song, 'practise');
  await expect(title(page, 'Part 1: hear it')).toBeVisible();
  await page.keyboard.press('p');
  await page.getByText('Goal and breaks').click();
  await page.locator('#goal-turns').fill('1');
  await page.locator('#goal-from').fill('100');
  await page.locator('#goal-from').press('Enter');
  await page.locator('jh-plan-panel h2').first().click();
  await page.keyboard.press('w');
  await expect(title(page, 'Part 1: hear it')).toBeVisible();
}

/** From "hear it" over the warm-up to the right hand of part 1. */
export async function toRightHand(page: Page): Promise<void> {
  await page.keyboard.press('y');
  await page.keyboard.press('ArrowRight');
  await expect(title(page, 'Warm up the hands')).toBeVisible();
  await page.keyboard.press('y');
  await page.keyboard.press('ArrowRight');
  await expect(title(page, 'Part 1, right hand')).toBeVisible();
}

/** Presses an entry of the menu of a song's card on the shelf. */
export async function fromCard(page: Page, title: string, name: string | RegExp): Promise<void> {
  await page.locator(`summary[aria-label="More: ${title}"]`).first().click();
  await page.locator('details[open] .menu').getByRole('button', { name }).click();
}

/** What the level chosen is called: "4 Block chords". */
export const level = (page: Page) => page.locator('jh-transport .ant-select-selection-item');

/** Chooses a level, 1 to 7. */
export async function chooseLevel(page: Page, number: number | string): Promise<void> {
  await page.locator('jh-transport nz-select').click();
  await page.locator('.ant-select-item-option', { hasText: new RegExp(`^\\s*${number} `) }).click();
}

/** Switches the count-in before what is played. */
export async function switchCountIn(page: Page): Promise<void> {
  await page.locator('jh-transport summary').click();
  await page.getByRole('button', { name: 'Count in' }).click();
}

/** Opens a tab of the bench, one behind "More" as well. */
export async function openTab(page: Page, name: string): Promise<void> {
  const exactly = new RegExp(`^${name}$`);
  const tab = page.locator('jh-bench-panel .tabs label', { hasText: exactly });
  const rare = page.locator('jh-bench-panel .tabs .menu button', { hasText: exactly });
  if ((await rare.count()) > 0) {
    await page.locator('jh-bench-panel .tabs summary').click();
    await rare.click();
  } else await tab.click();
}

/** The open song as its project file has it. */
export async function storedSong(page: Page): Promise<Song> {
  const downloading = page.waitForEvent('download');
  await fromMenu(page, 'Export');
  await page.getByRole('dialog').getByRole('button', { name: 'Project' }).click();
  const text = readFileSync(await (await downloading).path(), 'utf8');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  return readProject(text).song;
}
