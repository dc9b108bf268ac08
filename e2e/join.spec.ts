import { expect, type Page } from '@playwright/test';
import { arrange } from '../core/arrange';
import { applyEdit, DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import { graveFindings } from './axe';
import { arranged, fromMenu, openSong, watch, chooseLevel } from './pages';
import { test } from './tab';

const [lanterns] = DEMO_SONGS;

/** Letters of the left hand on the seam, row by row, from left to right. */
function leftLetters(page: Page): Promise<string[]> {
  return page.locator('jh-seam .block .letter').allTextContents();
}

test('patterns and a fuller right hand are taken on one part alone, and undone', async ({ page }) => {
  const watched = watch(page);
  await openSong(page, 'Lanterns at Low Water');
  await page.keyboard.press('p');
  const panel = page.locator('jh-patterns-panel');
  await panel.getByText('Each time', { exact: true }).click();
  // The button goes with its press; the keyboard goes on from its row.
  await panel.getByRole('button', { name: 'Take Crossing six' }).press('Enter');
  await arranged(page);
  await expect(panel.locator('jh-offer:focus')).toContainText('Crossing six');
  await expect(page.locator('jh-transport')).toContainText('Moving left hand');
  await expect(panel.locator('.heard b').first()).toHaveText('Crossing six');
  await expect.poll(async () => (await leftLetters(page)).slice(0, 6).join(' ')).toBe('A E A C A E');
  await panel.getByRole('button', { name: 'Take Octaves' }).click();
  await expect(page.locator('jh-transport')).toContainText('Fuller right hand');
  await arranged(page);
  // The other parts stay as they were.
  await page.keyboard.press('3');
  await expect(page.locator('jh-transport')).toContainText('Block chords');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('1');
  await expect(page.locator('jh-transport')).toContainText('Block chords');
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
  expect(watched.errors).toEqual([]);
});

test('a finger is pinned by keyboard alone, kept over a reload, and let go', async ({ page }) => {
  await openSong(page, 'Lanterns at Low Water');
  await page.keyboard.press('f');
  await expect(page.getByRole('heading', { name: 'A4 in bar 1' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'B4 in bar 1' })).toBeVisible();
  await page.keyboard.press('2');
  const picked = page.locator('.key.picked b');
  await expect(picked).toHaveText('2');
  await expect(page.locator('.key.picked')).toHaveClass(/pinned/);
  await expect(page.locator('jh-fingers-panel .heard')).toContainText('played now, pinned');
  await page.reload();
  await arranged(page);
  await page.keyboard.press('f');
  await page.locator('[data-note=n2]').click();
  await expect(picked).toHaveText('2');
  await page.keyboard.press('Delete');
  await expect(page.locator('.key.picked')).not.toHaveClass(/pinned/);
  // The left hand too: its line is another.
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { name: 'C3 in bar 1' })).toBeVisible();
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
});

test('a part is stepped through on the keys of the screen: a wrong one is said, the right ones go on; its rhythm is tapped, and what lags is said', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await page.keyboard.press('n');
  const panel = page.locator('jh-steps-panel');
  await expect(panel.locator('.next')).toHaveText(
    'Bar 1, on 1. Both together: right A4 with 3; left C3 E3 A3 with 5 3 1.',
  );
  const key = (midi: number) => page.locator(`jh-keyboard [data-midi="${midi}"]`);
  await key(71).click();
  await expect(panel.locator('.slip')).toHaveText('B is not in it: C3 E3 A3 A4 is wanted.');
  for (const midi of [48, 52, 57, 69]) await key(midi).click();
  await expect(panel.locator('.next')).toHaveText('Bar 1, on 3. Right hand alone: B4 with 4.');
  await expect(panel.locator('.slip')).toHaveText('');
  await page.keyboard.press('ArrowRight');
  await expect(panel.locator('.next')).toContainText('Bar 2, on 1. Both together');
  // The computer's own keys count in the octave that is wanted.
  await panel.getByRole('button', { name: 'Computer keys' }).click();
  for (const letter of ['k', 'a', 'f', 'h']) await page.keyboard.press(letter);
  await expect(panel.locator('.next')).toContainText('Bar 2, on 3.');
  await panel.getByRole('button', { name: 'Computer keys' }).click();
  await expect(page.locator('jh-seam .pale')).toHaveCount(0);
  await panel.getByRole('button', { name: 'Outer notes first' }).click();
  await expect(page.locator('jh-seam .block.pale')).not.toHaveCount(0);
  await panel.getByRole('button', { name: 'Outer notes first' }).click();
  // At the quickest, so that it does not take long.
  for (let times = 0; times < 12; times++) await page.keyboard.press('+');
  await panel.getByRole('button', { name: 'Demo player' }).click();
  await expect(panel.locator('.told')).toContainText('Left hand:', { timeout: 30_000 });
  await expect(panel.locator('.told')).toContainText(/Left hand: \d+ ms late on average/);
  await expect(panel.locator('.told')).toContainText('Where they meet the hands are');
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
});

test('the effort of a song is shown, and what makes the hardest part easier is one press away', async ({
  page,
}) => {
  const watched = watch(page);
  await openSong(page, 'Lanterns at Low Water');
  await chooseLevel(page, 5);
  await arranged(page);
  await page.keyboard.press('6');
  await page.keyboard.press('e');
  const panel = page.locator('jh-effort-panel');
  const on = applyEdit(lanterns, { kind: 'choose', choices: { level: 5 } });
  const { efforts } = arrange(on, DEFAULT_PROFILE);
  const own = efforts[5];
  await expect(panel.getByRole('img').first()).toHaveAttribute(
    'aria-label',
    new RegExp(`part 6 ${own?.total}`),
  );
  await expect(panel.locator('.levels .own').last()).toHaveText(String(own?.total));
  await expect(panel.locator('canvas')).toHaveCount(2);
  const first = panel.locator('section').last().locator('li').first();
  const [from, to] = ((await first.locator('small').textContent()) ?? '').split(' → ').map(Number);
  expect(from).toBe(own?.total);
  expect(to).toBeLessThan(from);
  await first.getByRole('button', { name: /^Take/ }).click();
  await expect(panel.getByRole('img').first()).toHaveAttribute('aria-label', new RegExp(`part 6 ${to}`));
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
  expect(watched.errors).toEqual([]);
});

test('the desk view shows the part alone, turns by keys, and shows only whole rows', async ({ page }) => {
  await openSong(page, 'Sluicegate Song');
  const rows = page.locator('jh-seam .window');
  const cut = (): Promise<number> =>
    rows.evaluate((element) => {
      const stops = [...element.querySelectorAll<HTMLElement>('.stop')].map((stop) => stop.offsetTop);
      return Math.min(...stops.map((top) => Math.abs(top - element.scrollTop)));
    });
  // Four bars stand whole on a screen of usual height; on a low one they turn by row.
  await expect(page.locator('.turner')).toHaveCount(0);
  await page.setViewportSize({ width: 1280, height: 560 });
  await expect(page.locator('.turner')).toContainText('row 1 of 2');
  await page.keyboard.press('PageDown');
  await expect(page.locator('.turner')).toContainText('row 2 of 2');
  await expect.poll(cut).toBeLessThanOrEqual(1);
  // An edit leaves the row that is read where it is.
  await chooseLevel(page, 2);
  await arranged(page);
  await expect(page.locator('.turner')).toContainText('row 2 of 2');
  await page.keyboard.press('PageDown');
  await expect(
    page.locator('jh-parts-rail [aria-current=true], jh-parts-rail .current').first(),
  ).toContainText('2');
  // Another part begins with its first row.
  await expect(page.locator('.turner')).toContainText('row 1 of');
  await expect.poll(() => rows.evaluate(({ scrollTop }) => scrollTop)).toBe(0);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.keyboard.press('1');
  await fromMenu(page, 'Full screen');
  await expect(page.locator('jh-frame-header')).toBeHidden();
  await expect(page.locator('jh-transport')).toBeHidden();
  await expect(page.locator('.desk-line')).toContainText('part 1');
  await expect(page.locator('.turner')).toHaveCount(0);
  await page.keyboard.press('PageDown');
  await expect(page.locator('.desk-line')).toContainText('part 2');
  await page.keyboard.press('Escape');
  await expect(page.locator('jh-frame-header')).toBeVisible();
  await page.keyboard.press('v');
  await page.getByRole('button', { name: 'Back to the bench' }).click();
  await expect(page.locator('jh-transport')).toBeVisible();
});

test('a pattern is played once by the simulated pianist, or made on the grid, tried on every chord, kept, played and taken along', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await page.keyboard.press('p');
  const panel = page.locator('jh-patterns-panel');
  await panel.getByRole('button', { name: 'Make your own pattern' }).click();
  await panel.getByRole('button', { name: 'Demo player' }).click();
  const set = panel.locator('.members .set');
  await expect(set).toHaveCount(6, { timeout: 30_000 });
  for (const cell of ['Member 1 on 1', 'Member 8 on 2'])
    await expect(panel.getByRole('button', { name: cell, exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
  // Pressed again each is let go, and another figure is made.
  for (const left of [5, 4, 3, 2, 1, 0]) {
    await set.first().click();
    await expect(set).toHaveCount(left);
  }
  await panel.getByLabel('Name').fill('Low tide');
  for (const cell of ['Member 1 on 1', 'Member 8 on 2', 'Member 5 on 3'])
    await panel.getByRole('button', { name: cell, exact: true }).click();
  await expect(panel.getByText('It fits every chord of the song.')).toBeVisible();
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
  await panel.getByRole('button', { name: 'Keep and play it' }).click();
  await arranged(page);
  await expect(panel.locator('.heard b').first()).toHaveText('Low tide');
  await expect.poll(async () => (await leftLetters(page)).slice(0, 3).join(' ')).toBe('A A E');
  await page.reload();
  await arranged(page);
  await expect.poll(async () => (await leftLetters(page)).slice(0, 3).join(' ')).toBe('A A E');
});
