import { expect } from '@playwright/test';
import { graveFindings } from './axe';
import { arranged, chooseLevel, level, openFromShelf, openSong, openTab } from './pages';
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

test('anything is found by a word, done from the keyboard, and what is not there is said', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  const dialog = page.getByRole('dialog', { name: 'Find' });
  const find = async (query: string): Promise<void> => {
    // The one before has gone.
    await expect(dialog).toHaveCount(0);
    await page.keyboard.press('Control+k');
    await expect(dialog.getByRole('combobox')).toBeFocused();
    await page.keyboard.type(query);
  };
  await find('singer');
  await expect(dialog.getByRole('option').first()).toHaveText(/Transpose/);
  expect(await graveFindings(page)).toEqual([]);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/tune\?tab=keys/);
  await expect(page.locator('jh-keys-panel')).toBeVisible();
  // A tab that was left is opened again, from a field too.
  await openTab(page, 'Letters');
  await page.locator('#letters').focus();
  await find('singer');
  await page.keyboard.press('Enter');
  await expect(page.locator('jh-keys-panel')).toBeVisible();
  await find('xylophone');
  await expect(dialog.getByRole('status')).toContainText('Nothing here is called “xylophone”.');
  expect(await graveFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await find('slow');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page.locator('jh-transport')).toContainText('95 %');
  // What a bench has no use for is not offered there.
  await find('print');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/handout$/);
  await expect(page.locator('.pages .page').first()).toBeVisible();
  await find('full screen');
  await expect(dialog.getByRole('option')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await find('boathouse');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Boathouse Jig');
});

test('three links lead past the header; what was done is undone beside it', async ({ page }) => {
  await openSong(page, 'Lanterns at Low Water');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'To the music' })).toBeFocused();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.locator('aside.reasons input').first()).toBeFocused();
  await page.getByRole('button', { name: 'To playing' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('footer .play')).toBeFocused();
  await chooseLevel(page, 5);
  const panel = page.locator('aside.reasons');
  await panel.getByRole('button', { name: /^Undo / }).click();
  await expect(level(page)).toHaveText(/^4 /);
  await expect(panel.getByRole('button', { name: /^Undo / })).toHaveCount(0);
});

test('a finger drawn over the music turns rows, then parts; one that goes down does not', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await openSong(page, 'Lanterns at Low Water');
  const part = page.locator('jh-transport').getByRole('button', { name: /^Play part/ });
  const draw = (x: number, y: number): Promise<void> =>
    page.locator('jh-seam').evaluate(
      (seam, [dx, dy]) => {
        const at = (clientX: number, clientY: number): Touch =>
          new Touch({ identifier: 1, target: seam, clientX, clientY });
        const [from, to] = [at(200, 300), at(200 + dx, 300 + dy)];
        seam.dispatchEvent(
          new TouchEvent('touchstart', { touches: [from], changedTouches: [from], bubbles: true }),
        );
        seam.dispatchEvent(new TouchEvent('touchend', { touches: [], changedTouches: [to], bubbles: true }));
      },
      [x, y],
    );
  await expect(part).toHaveText('Play part 1');
  await draw(0, 120);
  await expect(part).toHaveText('Play part 1');
  for (let i = 0; i < 4 && (await part.textContent())?.trim() !== 'Play part 2'; i++) {
    await draw(-120, 5);
    await page.waitForTimeout(200);
  }
  await expect(part).toHaveText('Play part 2');
  await draw(120, 0);
  await expect(part).toHaveText('Play part 1');
  await context.close();
});
