import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { graveFindings } from './axe';
import { arranged, fromCard, fromMenu, openShelf, openFromShelf, openTab } from './pages';
import { test } from './tab';

const LEAD_SHEET = readFileSync(new URL('../demo/files/sluicegate.musicxml', import.meta.url));

/** A score in which the first note of bar 2 has lost a beat. */
function shortened(): string {
  const text = readFileSync(new URL('../demo/files/lanterns.musicxml', import.meta.url), 'utf8');
  const at = text.indexOf('<measure number="2"');
  return (
    text.slice(0, at) +
    text
      .slice(at)
      .replace('<duration>1920</duration>', '<duration>960</duration>')
      .replace('<backup>\n    <duration>2880', '<backup>\n    <duration>1920')
      .replace(/<note>\s*<rest measure="yes"\/>\s*<duration>2880/, '<note><rest/><duration>1920')
  );
}

test('a file is opened by the button and by dropping it; bars that do not add up are named', async ({
  page,
}) => {
  await openShelf(page);
  await page
    .getByLabel('Song file')
    .setInputFiles({ name: 'tide.musicxml', mimeType: 'text/xml', buffer: LEAD_SHEET });
  await expect(page).toHaveURL(/song\//);
  await arranged(page);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('article')).toHaveCount(7);
  const transfer = await page.evaluateHandle((text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], 'dropped.musicxml'));
    return data;
  }, shortened());
  await page.locator('.page').dispatchEvent('drop', { dataTransfer: transfer });
  await expect(page).toHaveURL(/song\//);
  await arranged(page);
  await expect(page.locator('.findings')).toContainText(
    'Bar 2 does not add up: it is too short by 1 quarter note.',
  );
});

const BAD: readonly (readonly [name: string, content: string | Buffer, says: RegExp])[] = [
  ['none.mid', Buffer.from([0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 0, 1, 0xe0]), /holds no notes/],
  [
    'bomb.musicxml',
    '<!DOCTYPE a [<!ENTITY b "x">]><score-partwise/>',
    /declares entities of its own.*line 1/,
  ],
  ['odd.mxl', 'not a zip', /not a compressed MusicXML file/],
  ['notes.musicxml', 'no xml at all', /notes\.musicxml: This is not XML \(line 1\)/],
  ['page.xml', '<html></html>', /not MusicXML: its root is <html>/],
  ['cut.musicxml', LEAD_SHEET.toString().slice(0, 4000), /breaks off or is damaged/],
  ['empty.musicxml', '', /The file is empty/],
  ['mine.joined.json', '{"format":1}', /not a project file/],
  ['song.mid', 'MThd', /cut short \(header\)/],
  ['song.docx', 'PK', /kind of file is not known/],
];

test('a file that cannot be read is refused in a sentence and nothing else changes', async ({ page }) => {
  await openShelf(page);
  for (const [name, content, says] of BAD) {
    await page
      .getByLabel('Song file')
      .setInputFiles({ name, mimeType: 'text/xml', buffer: Buffer.from(content) });
    await expect(page.getByRole('alert')).toHaveText(says);
    await expect(page.getByRole('article')).toHaveCount(6);
  }
  // Made in the page: fifty megabytes would take long to hand over.
  const transfer = await page.evaluateHandle(() => {
    const data = new DataTransfer();
    data.items.add(new File([new Uint8Array(50 * 1024 * 1024)], 'big.mid'));
    return data;
  });
  await page.locator('.page').dispatchEvent('drop', { dataTransfer: transfer });
  await expect(page.getByRole('alert')).toHaveText(/big\.mid: the file is too large, 50\.0 MB/);
  await expect(page.getByRole('article')).toHaveCount(6);
});

test('on a full shelf a song is found as one types, and songs stand in order of title', async ({ page }) => {
  await openShelf(page);
  await expect(page.getByRole('searchbox', { name: 'Find a song' })).toHaveCount(0);
  const files = Array.from({ length: 4 }, (_, i) => ({
    name: `copy-${i}.musicxml`,
    mimeType: '',
    buffer: LEAD_SHEET,
  }));
  await page.getByLabel('Song file').setInputFiles(files);
  const songs = page.getByRole('article');
  await expect(songs).toHaveCount(10);
  const find = page.getByRole('searchbox', { name: 'Find a song' });
  await page.locator('jh-find-row nz-select.order').click();
  await page.locator('.ant-select-item-option', { hasText: 'By title' }).click();
  await expect(songs.first()).toContainText('Boathouse Jig');
  await find.fill('low a minor');
  await expect(songs).toHaveCount(1);
  await expect(songs).toContainText('Lanterns at Low Water');
  await find.fill('nowhere');
  await expect(page.getByText('0 of 10 songs')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(songs).toHaveCount(10);
  // Where few are left, what is looked for can still be taken back.
  await find.fill('sluicegate');
  for (let left = 4; left >= 2; left--) {
    await songs.first().locator('summary').click();
    await page.getByRole('button', { name: /^Delete/ }).click();
    await expect(page.getByText(`${left} of ${left + 5} songs`)).toBeVisible();
  }
  await find.fill('');
  await expect(songs).toHaveCount(7);
  await expect(find).toHaveCount(0);
});

test('a deleted song can be put back; one that is gone says so', async ({ page }) => {
  await openShelf(page);
  await fromCard(page, 'Sluicegate Song', /^Delete/);
  await expect(page.getByRole('article')).toHaveCount(5);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('article')).toHaveCount(6);
  await page.goto('/song/nowhere');
  await expect(page.getByRole('heading', { name: 'This song is not on the shelf' })).toBeVisible();
});

test('a second tab looks on until it takes over', async ({ page }) => {
  await openFromShelf(page, 'Lanterns at Low Water');
  const other = await page.context().newPage();
  await other.goto(page.url());
  await arranged(other);
  await expect(other.getByText('open in another tab')).toBeVisible();
  await other.getByRole('button', { name: 'Edit here' }).click();
  await expect(other.getByText('open in another tab')).toBeHidden();
  await expect(page.getByText('open in another tab')).toBeVisible();
});

for (const [name, width, height] of [
  ['desk', 1280, 800],
  ['telephone', 390, 844],
] as const) {
  test(`no accessibility finding on any view, ${name}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    const inspect = async (view: string, where = 'body'): Promise<void> => {
      expect(await graveFindings(page, where), view).toEqual([]);
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(overflow, `${view} scrolls sideways`).toBeLessThanOrEqual(0);
    };
    await openShelf(page);
    await inspect('shelf');
    await openFromShelf(page, 'Sluicegate Song');
    await inspect('bench');
    await page.locator('[data-change] .symbol').first().click();
    await expect(page.locator('.alternatives li')).not.toHaveCount(1);
    await inspect('bench with a chord');
    await page.getByRole('link', { name: 'Tune' }).click();
    await page.locator('[data-note]').first().click();
    await inspect('tune');
    // The panels are the same at any width; on the telephone the two fullest stand for all.
    const tabs =
      width < 900 ? ['Bars', 'Letters'] : ['Words', 'Bars', 'Letters', 'Play in', 'Transpose', 'In words'];
    for (const tab of tabs) {
      const isSheet = width < 900;
      if (!(await page.locator('jh-bench-panel').isVisible()))
        await page.getByRole('button', { name: 'Panel', exact: true }).click();
      await openTab(page, tab);
      if (isSheet && tab === 'Letters')
        await page.getByRole('button', { name: 'Panel', exact: true }).click();
      await inspect(`tune, ${tab}`, tab === 'Letters' ? 'jh-letters-entry' : 'jh-bench-panel');
    }
    await page.locator('jh-frame-header summary').click();
    await page.getByText('Tour', { exact: true }).click();
    await expect(page.getByRole('region', { name: 'The tour' })).toBeVisible();
    await page.getByRole('link', { name: 'Handout', exact: true }).click();
    await expect(page.locator('.pages .page').first()).toBeVisible();
    await inspect('handout, on the tour');
    await page.goto('/settings');
    await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
    await inspect('settings');
  });
}

test('in the smallest window, or four times enlarged, every control is in reach', async ({ page }) => {
  await openShelf(page);
  await page.getByRole('button', { name: 'Not now' }).click();
  await expect(page.locator('main')).toBeFocused();
  await openFromShelf(page, 'Lanterns at Low Water');
  for (const height of [640, 256]) {
    await page.setViewportSize({ width: 320, height });
    const out = await page.evaluate(() => {
      const controls = [...document.querySelectorAll('button, a, summary, input, label, nz-select')];
      const seen = controls.filter(
        (control) => control.checkVisibility() && !control.closest('details .menu'),
      );
      return seen.flatMap((control) => {
        control.scrollIntoView({ block: 'nearest', inline: 'nearest' });
        const { left, right, top, bottom } = control.getBoundingClientRect();
        const isIn = left >= -1 && right <= innerWidth + 1 && top >= -1 && bottom <= innerHeight + 1;
        return isIn || right === left ? [] : [control.textContent];
      });
    });
    expect([height, out]).toEqual([height, []]);
  }
});

test('every dialog has a name and no accessibility finding, wide and narrow', async ({ page }) => {
  const inspect = async (title: string): Promise<void> => {
    const dialog = page.getByRole('dialog', { name: title });
    await expect(dialog).toBeVisible();
    for (const width of [390, 1280]) {
      await page.setViewportSize({ width, height: 800 });
      expect(await graveFindings(page, 'nz-modal-container'), `${title}, ${width}`).toEqual([]);
    }
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();
  };
  await openShelf(page);
  await page.getByRole('button', { name: 'Bin and storage' }).click();
  await inspect('Bin and storage');
  await page.getByRole('button', { name: 'Type a tune' }).click();
  await inspect('Type a tune');
  await page.getByRole('button', { name: 'Write chords' }).click();
  await inspect('Chords and words');
  await openFromShelf(page, 'Lanterns at Low Water');
  await fromMenu(page, 'Export');
  await inspect('Export');
  await fromMenu(page, 'Help and keys');
  await inspect('Help and keys');
});

test('all songs go out as one backup and onto another machine; restored twice there are no doubles', async ({
  page,
  browser,
}) => {
  await openFromShelf(page, 'Sluicegate Song');
  await page.keyboard.press('-');
  await page.getByRole('link', { name: 'Shelf' }).click();
  const taken = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Back up all songs' }).click();
  const backup = await (await taken).path();
  await expect(page.getByText('The backup is downloaded.')).toBeVisible();

  const elsewhere = await browser.newContext({ serviceWorkers: 'block' });
  const other = await elsewhere.newPage();
  await openShelf(other);
  for (const title of ['Sluicegate Song', 'Boathouse Jig']) await fromCard(other, title, /^Delete/);
  await expect(other.getByRole('article')).toHaveCount(4);
  const restore = (buffer: Buffer) =>
    other
      .getByLabel('Song file')
      .setInputFiles({ name: 'kept.joined.zip', mimeType: 'application/zip', buffer });
  const bytes = readFileSync(backup);
  await restore(bytes);
  await expect(other.getByText('2 songs were added; 4 were here already.')).toBeVisible();
  await expect(other.getByRole('article')).toHaveCount(6);
  await restore(bytes);
  await expect(other.getByText('0 songs were added; 6 were here already.')).toBeVisible();
  await expect(other.getByRole('article')).toHaveCount(6);
  await restore(bytes.subarray(0, bytes.length >> 1));
  await expect(other.getByRole('alert')).toContainText(
    'kept.joined.zip could not be restored: The backup is damaged or cut short',
  );
  await expect(other.getByRole('article')).toHaveCount(6);
  await elsewhere.close();
});
