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

/** Which page is looked at, as it is told. */
const lookedAt = (page: Page) => page.locator('jh-handout-pages .bar span[aria-live]');
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
  await pages(page)
    .first()
    .evaluate((first) => first.scrollIntoView());
  await expect(lookedAt(page)).toHaveText(`Page 1 of ${shown}`);
  await page.keyboard.press('ArrowRight');
  await expect(lookedAt(page)).toHaveText(`Page 2 of ${shown}`);
  // The page that is scrolled to is the one that is looked at.
  await pages(page)
    .last()
    .evaluate((last) => last.scrollIntoView());
  await expect(lookedAt(page)).toHaveText(`Page ${shown} of ${shown}`);
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

/** What a button of the files hands over. */
async function given(page: Page, button: string): Promise<{ name: string; bytes: Buffer }> {
  const taken = page.waitForEvent('download');
  await page.locator('jh-give-away').getByRole('button', { name: button, exact: true }).click();
  const file = await taken;
  const name = file.suggestedFilename();
  await expect(page.getByText(`${name} was downloaded.`)).toBeVisible();
  return { name, bytes: await readFile(await file.path()) };
}

async function chooseWhat(page: Page, what: string): Promise<void> {
  await page.locator('jh-give-away nz-select').click();
  await page.locator('nz-option-item', { hasText: what }).click();
}

test('pages go as PDF and as pictures, all, one, or a part alone, with staves on them', async ({ page }) => {
  watch(page);
  await openHandout(page, 'Sluicegate Song');
  await page.getByRole('button', { name: 'Add Lead sheet' }).click();
  const shown = await laidOut(page);
  const all = await given(page, 'PDF');
  expect(all.name).toBe('sluicegate-song.pdf');
  expect(all.bytes.toString('latin1', 0, 5)).toBe('%PDF-');
  expect(pdf(all.bytes).count).toBe(shown);
  // Letters as letters: our own faces and the engraver's.
  expect(pdf(all.bytes).fonts).toBeGreaterThanOrEqual(6);
  const pictures = await given(page, 'PNG');
  expect(pictures.name).toBe('sluicegate-song-png.zip');
  const files = unzipSync(pictures.bytes);
  expect(Object.keys(files)).toEqual(
    Array.from({ length: shown }, (_, i) => `sluicegate-song-page-${i + 1}.png`),
  );
  for (const bytes of Object.values(files))
    expect([...bytes.subarray(1, 4)]).toEqual([...'PNG'].map((sign) => sign.charCodeAt(0)));
  await chooseWhat(page, 'Page 1');
  const one = await given(page, 'SVG');
  expect(one.name).toBe('sluicegate-song-page-1.svg');
  expect(one.bytes.toString('utf8')).toMatch(/^<svg [^>]*><style>@font-face[\s\S]*<\/svg>$/);
  await chooseWhat(page, 'Part 2 alone');
  const part = await given(page, 'SVG');
  expect(part.name).toBe('sluicegate-song-part-2.svg');
  expect(part.bytes.toString('utf8')).toContain('Part 2 ');
  expect(part.bytes.toString('utf8')).not.toContain('Part 3 ');
});

test('the song goes as sound: each hand, any tempo, smaller, and stopped on the way', async ({ page }) => {
  test.setTimeout(120_000);
  await openHandout(page, 'Sluicegate Song');
  /** Seconds of a WAV file, and whether anything is heard in them. */
  const heard = ({ bytes }: { bytes: Buffer }): { seconds: number; loudest: number } => {
    const [channels, rate] = [bytes.readUInt16LE(22), bytes.readUInt32LE(24)];
    const samples = new Int16Array(
      bytes.buffer.slice(bytes.byteOffset + 44, bytes.byteOffset + bytes.length - (bytes.length % 2)),
    );
    const loudest = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0) / 32768;
    return { seconds: samples.length / channels / rate, loudest };
  };
  const whole = await given(page, 'WAV');
  expect(whole.name).toBe('sluicegate-song.wav');
  const both = heard(whole);
  // 61 beats at 104, and what rings on.
  expect(both.seconds).toBeGreaterThan((61 * 60) / 104);
  expect(both.seconds).toBeLessThan((61 * 60) / 104 + 12);
  expect(both.loudest).toBeGreaterThan(0.1);
  await page.locator('jh-give-away label', { hasText: 'Right' }).click();
  await page.getByLabel('Tempo in percent').fill('50');
  await page.getByLabel('Tempo in percent').press('Enter');
  const slow = await given(page, 'WAV');
  expect(slow.name).toBe('sluicegate-song-right-hand-50.wav');
  expect(heard(slow).seconds).toBeGreaterThan(both.seconds * 1.7);
  const small = await given(page, 'Smaller file');
  expect(small.name).toMatch(/^sluicegate-song-right-hand-50\.(ogg|mp4|m4a)$/);
  expect(small.bytes.length).toBeLessThan(slow.bytes.length / 4);
  await page.locator('jh-give-away').getByRole('button', { name: 'WAV', exact: true }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Stopped: nothing was downloaded.')).toBeVisible();
});

test('a handout says for whom and from whom it is, and a line at a part; it is kept, and can be undone', async ({
  page,
}) => {
  await openHandout(page, 'Sluicegate Song');
  const fill = async (label: string, text: string): Promise<void> => {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByLabel(label, { exact: true }).press('Tab');
  };
  await fill('For', 'Wanda');
  await fill('From', 'Mr Teal');
  await page.getByText('A line at each part').click();
  await fill('Part 2', 'Mind the thumb.');
  await expect(pages(page).first()).toContainText('For Wanda, from Mr Teal');
  await expect(pages(page).filter({ hasText: 'Part 2 ' }).first()).toContainText('Mind the thumb.');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.pages')).not.toContainText('Mind the thumb.');
  await page.reload();
  await expect(pages(page).first()).toContainText('For Wanda, from Mr Teal');
});

test('pages are seen one at a time or side by side, with the whole window, and turned with keys', async ({
  page,
}) => {
  await openHandout(page, 'Sluicegate Song');
  const shown = await laidOut(page);
  await page.locator('main').focus();
  await page.keyboard.press('b');
  const [left, right] = await Promise.all([0, 1].map((i) => pages(page).nth(i).boundingBox()));
  expect(right?.y).toBe(left?.y);
  expect(right?.x).toBeGreaterThan((left?.x ?? 0) + (left?.width ?? 0));
  await page.keyboard.press('ArrowRight');
  await expect(lookedAt(page)).toHaveText(`Page 3 of ${shown}`);
  await page.keyboard.press('v');
  await expect(page.locator('jh-handout-panel')).toBeHidden();
  const whole = await pages(page).nth(2).boundingBox();
  // A page stands in the window from its head to its foot.
  expect(whole?.height).toBeLessThan(page.viewportSize()?.height ?? 0);
  expect(whole?.width).toBeGreaterThan(left?.width ?? 0);
  await page.keyboard.press('Escape');
  await expect(page.locator('jh-handout-panel')).toBeVisible();
});
