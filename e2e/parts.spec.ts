import { expect, type Page } from '@playwright/test';
import { graveFindings } from './axe';
import { openBench, watch } from './pages';
import { test } from './tab';

async function openParts(page: Page, title: string): Promise<void> {
  await openBench(page, title, 'parts');
  await expect(page.locator('main[aria-busy=false] jh-parts-map .part').first()).toBeVisible();
}

const numbers = (page: Page) => page.locator('jh-parts-rail .number');
const form = (page: Page) => page.locator('.form');
const bars = async (page: Page, part: number): Promise<string> =>
  (await page
    .locator('jh-parts-rail .bars')
    .nth(part - 1)
    .textContent()) ?? '';

test('a cut is dragged along the ruler and goes where a part may begin; undone and redone', async ({
  page,
}) => {
  const watched = watch(page);
  await openParts(page, 'Lanterns at Low Water');
  const cut = page.getByRole('button', { name: /^Cut before part 2/ });
  const box = await cut.boundingBox();
  if (!box) throw new Error('the cut is not on screen');
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + 20, at.y, { steps: 4 });
  await page.mouse.move(at.x + 62, at.y, { steps: 6 });
  await page.mouse.up();
  await expect.poll(() => bars(page, 1)).toMatch(/bars 1–6/);
  await expect(page.getByText('How the song is cut')).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect.poll(() => bars(page, 1)).toMatch(/bars 1–4/);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => bars(page, 1)).toMatch(/bars 1–6/);
  expect(watched.errors).toEqual([]);
});

test('parts are split, joined, moved, locked, marked the same and settled by keyboard alone', async ({
  page,
}) => {
  await openParts(page, 'Lanterns at Low Water');
  await page.keyboard.press('x');
  await expect(numbers(page)).toHaveCount(7);
  await expect.poll(() => bars(page, 1)).toMatch(/bars 1–2/);
  await page.keyboard.press('j');
  await expect(numbers(page)).toHaveCount(6);
  // The mark is moved to another place before the part is split there.
  await page.keyboard.press('.');
  await page.keyboard.press('x');
  await expect(numbers(page)).toHaveCount(7);
  await page.keyboard.press('Control+z');
  await expect(numbers(page)).toHaveCount(6);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(() => bars(page, 1)).toMatch(/bars 1–3/);
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(() => bars(page, 1)).toMatch(/bars 1–4/);
  await page.keyboard.press('k');
  await expect(page.locator('.cut.locked')).toHaveCount(1);
  // Part 4 was found the same as part 1: freed, and declared again.
  await page.keyboard.press('4');
  await expect(page.locator('jh-this-part-panel')).toContainText('They were found the same');
  await page.keyboard.press('m');
  await expect(page.locator('jh-this-part-panel')).toContainText('You unlinked it');
  await page.keyboard.press('m');
  await expect(page.locator('jh-this-part-panel')).toContainText('You said they are the same');
  await page.keyboard.press('e');
  await expect(page.locator('jh-parts-rail .settled')).toHaveCount(1);
  await page.keyboard.press('e');
  await expect(page.locator('jh-parts-rail .settled')).toHaveCount(0);
  await page.keyboard.press('n');
  await expect(page.locator('#part-name')).toBeFocused();
  await page.keyboard.type('Lamps again');
  await page.keyboard.press('Tab');
  await expect(page.locator('jh-parts-rail .current')).toContainText('Lamps again');
});

test('the song is cut in another way; locked cuts stay', async ({ page }) => {
  await openParts(page, 'Sluicegate Song');
  await expect(form(page)).toHaveText(/A\s*A′\s*B\s*A′/);
  await page.keyboard.press('2');
  await page.keyboard.press('k');
  await page.locator('jh-bench-panel label', { hasText: 'Cutting' }).click();
  await expect(page.locator('jh-cutting-panel')).toContainText('One cut is locked');
  await page.getByRole('button', { name: 'Every few bars' }).click();
  await page.getByLabel('Bars a part').fill('8');
  await page.getByLabel('Bars a part').press('Enter');
  await expect(numbers(page)).toHaveCount(3);
  await expect(page.locator('.cut.locked')).toHaveCount(1);
  await page.getByRole('button', { name: 'Halves' }).click();
  await page.locator('jh-cutting-panel label', { hasText: 'Eighths' }).click();
  await expect(numbers(page)).toHaveCount(8);
  await page.getByRole('button', { name: 'By line of words' }).click();
  await expect(numbers(page)).toHaveCount(4);
});

test('what differs in a near copy is shown side by side and heard in turn; the part on screen stays', async ({
  page,
}) => {
  await openParts(page, 'Sluicegate Song');
  await page.keyboard.press('2');
  await expect(page.locator('jh-part-difference')).toBeVisible();
  await expect(page.locator('jh-part-difference jh-seam .bar-number')).toHaveText([
    '2',
    '3',
    '4',
    '6',
    '7',
    '8',
  ]);
  await page.getByRole('button', { name: 'Hear it in part 1' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('jh-parts-rail [aria-current=step] .number')).toHaveText('2');
  await page.getByRole('button', { name: 'Stop' }).click();
});

test('sections are proposed, renamed, given energy and a growing loudness', async ({ page }) => {
  await openParts(page, 'Sluicegate Song');
  await page.locator('jh-bench-panel label', { hasText: 'Sections' }).click();
  await page.getByRole('button', { name: 'Remove this section' }).click();
  await page.getByRole('button', { name: 'Propose sections' }).click();
  await expect(page.locator('jh-parts-map .section').first()).toContainText('Verse');
  await page.locator('#section-name').fill('Evening');
  await page.locator('#section-name').press('Tab');
  await expect(page.locator('jh-parts-map .section').first()).toContainText('Evening');
  await page.locator('jh-sections-panel label', { hasText: '5' }).click();
  await expect(page.locator('jh-parts-map .section').first()).toContainText('●●●●●');
  await page.locator('jh-sections-panel label', { hasText: 'Growing' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('jh-sections-panel .ant-radio-button-wrapper-checked').last()).toHaveText('Even');
});

test('a pair, each part in turn, and from any place on are played', async ({ page }) => {
  await openParts(page, 'Sluicegate Song');
  await page.getByRole('button', { name: 'Play 1 + 2' }).click();
  await expect(page.locator('jh-parts-map .playhead')).toBeAttached({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  // A press on the ruler sets the mark; playing goes on from there.
  await page.locator('jh-parts-map .ruler').click({ position: { x: 620, y: 30 } });
  await expect(page.locator('jh-parts-rail [aria-current=step] .number')).toHaveText('4');
  await page.keyboard.press('p');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press(' ');
  await page.getByRole('button', { name: 'Part by part' }).click();
  await expect(page.locator('jh-parts-rail [aria-current=step] .number')).toHaveText('1');
  await page.keyboard.press(' ');
});

test('the bench has no serious finding of axe and no sideways scrolling, wide and narrow', async ({
  page,
}) => {
  await openParts(page, 'Mudflat Evening');
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 844 });
    expect(await graveFindings(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1)).toBe(
      true,
    );
  }
});
