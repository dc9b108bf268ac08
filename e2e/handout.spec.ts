import { expect, type Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { readFile } from 'node:fs/promises';
import { graveFindings } from './axe';
import { openBench, watch } from './pages';
import { test } from './tab';

async function openHandout(page: Page, song: string): Promise<void> {
  await openBench(page, song, 'handout');
  await expect(pages(page).first()).toBeVisible();
}

/** Puts in every sheet that is not among the usual ones. */
async function putAllIn(page: Page): Promise<void> {
  const others = [
    'Lead sheet',
    'Full score',
    'Chords over words',
    'Words with chord marks',
    'For singing',
    'Practice plan',
  ];
  for (const sheet of others) await page.getByRole('button', { name: `Add ${sheet}` }).click();
}

const pages = (page: Page) => page.locator('.pages .page');

/** Waits until the pages shown are those of what was chosen; gives how many there are. */
async function laidOut(page: Page): Promise<number> {
  // What was true before the choice is drawn for a frame more.
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))));
  await expect(page.locator('jh-handout-panel')).toContainText('pages, as they are shown.');
  const shown = await pages(page).count();
  await expect(page.locator('jh-handout-panel')).toContainText(`${shown} pages, as they are shown.`);
  return shown;
}

/** What of a page stands beyond its edge, as the browser draws it. */
function beyondTheEdge(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('.pages .page > svg')].flatMap((svg) => {
      const paper = svg.getBoundingClientRect();
      return [...svg.querySelectorAll('text, rect, line, circle')].flatMap((drawn) => {
        const { left, right, top, bottom } = drawn.getBoundingClientRect();
        const isOn = left >= paper.left && right <= paper.right && top >= paper.top && bottom <= paper.bottom;
        return isOn ? [] : [`${drawn.tagName} ${drawn.textContent ?? ''}`];
      });
    }),
  );
}

/** The pages of a PDF, and the fonts in it. */
function pdf(bytes: Buffer): { count: number; fonts: number } {
  const text = bytes.toString('latin1');
  return {
    count: text.match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0,
    fonts: text.match(/\/FontFile[23]?\b/g)?.length ?? 0,
  };
}

test('sheets are chosen, ordered, remembered, and printed as they are shown', async ({ page }) => {
  const watched = watch(page);
  await openHandout(page, 'Sluicegate Song');
  await putAllIn(page);
  await page.getByRole('button', { name: 'Remove Title page' }).click();
  await page.getByRole('button', { name: 'Part sheets earlier' }).click();
  await expect(pages(page).first()).toHaveAttribute('aria-label', 'Page 1: Part sheets, parts 1–2');
  await expect(
    page
      .getByRole('region', { name: /^Page \d+: Full score/ })
      .locator('path')
      .first(),
  ).toBeAttached();
  const shown = await laidOut(page);
  expect(shown).toBeGreaterThan(8);
  expect(await beyondTheEdge(page)).toEqual([]);
  const printed = pdf(await page.pdf({ preferCSSPageSize: true }));
  expect(printed.count).toBe(shown);
  // Text in its own letters, not as pictures.
  expect(printed.fonts).toBeGreaterThanOrEqual(3);
  expect(await graveFindings(page, 'jh-handout-panel')).toEqual([]);

  // On a keyboard: the pages are turned.
  await page.locator('main').focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(`Page 2 of ${shown}`)).toBeAttached();
  await page.reload();
  await expect(pages(page).first()).toHaveAttribute('aria-label', 'Page 1: Part sheets, parts 1–2');
  await expect(pages(page)).toHaveCount(shown);
  expect(watched.errors).toEqual([]);
  expect(watched.outside).toEqual([]);
});

test('every sheet of a song with repeats stands on its paper, upright and across, to hold and for the desk', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await openHandout(page, 'Mudflat Evening');
  await putAllIn(page);
  for (const choices of [
    ['Letter', 'Large print'],
    ['Landscape', 'Normal margins'],
  ]) {
    for (const choice of choices) await page.locator('jh-handout-panel label', { hasText: choice }).click();
    await laidOut(page);
    expect([choices, await beyondTheEdge(page)]).toEqual([choices, []]);
  }
  const shown = await laidOut(page);
  expect(pdf(await page.pdf({ preferCSSPageSize: true })).count).toBe(shown);
});

test('the whole song is taken away as one archive', async ({ page }) => {
  await openHandout(page, 'Lanterns at Low Water');
  const taken = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download the song (ZIP)' }).click();
  const file = await taken;
  expect(file.suggestedFilename()).toBe('lanterns-at-low-water.zip');
  const entries = unzipSync(await readFile(await file.path()));
  expect(Object.keys(entries).sort()).toEqual(
    ['-cards.txt', '-sheets.html', '.joined.json', '.mid', '.musicxml', '.txt'].map(
      (e) => `lanterns-at-low-water${e}`,
    ),
  );
  await expect(page.getByText('lanterns-at-low-water.zip was downloaded.')).toBeVisible();
  // The sheets are a page of their own, which loads nothing.
  const sheets = await page.context().newPage();
  const asked: string[] = [];
  sheets.on('request', (request) => asked.push(request.url()));
  await sheets.setContent(Buffer.from(entries['lanterns-at-low-water-sheets.html']).toString('utf8'));
  await expect(sheets.locator('.page')).toHaveCount(await pages(page).count());
  expect(asked.filter((url) => !url.startsWith('data:'))).toEqual([]);
});

test('a page is taken as a picture, in points and in lines, with staves on it', async ({ page }) => {
  watch(page);
  await openHandout(page, 'Sluicegate Song');
  await page.getByRole('button', { name: 'Add Lead sheet' }).click();
  await laidOut(page);
  for (const kind of ['PNG', 'SVG']) {
    const taken = page.waitForEvent('download');
    await page.getByRole('button', { name: `Download ${kind}` }).click();
    const file = await taken;
    expect(file.suggestedFilename()).toBe(`sluicegate-song-page-1.${kind.toLowerCase()}`);
    const bytes = await readFile(await file.path());
    expect(bytes.length).toBeGreaterThan(40_000);
    if (kind === 'PNG')
      expect([...bytes.subarray(1, 4)]).toEqual([...'PNG'].map((sign) => sign.charCodeAt(0)));
    else expect(bytes.toString('utf8')).toMatch(/^<svg [^>]*><style>@font-face[\s\S]*<\/svg>$/);
  }
});
