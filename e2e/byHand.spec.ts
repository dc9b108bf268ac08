import { expect } from '@playwright/test';
import { graveFindings } from './axe';
import { arranged, chooseLevel, level, openBench, openSong, openTab } from './pages';
import { test } from './tab';

test('a row of chords is written over the bars of a tune, refused where it cannot be read, and undone at once', async ({
  page,
}) => {
  await openBench(page, 'Lanterns at Low Water', 'chords');
  await arranged(page);
  const symbols = page.locator('jh-seam .symbol');
  const row = page.getByLabel('Write a row of chords');
  await expect(symbols).toHaveText(['Am', 'F', 'Dm', 'E7']);
  await row.fill('| Dm | G C | % | Xm |');
  await row.press('Control+Enter');
  await expect(page.getByRole('alert')).toContainText('"Xm" is not a chord');
  await expect(symbols).toHaveText(['Am', 'F', 'Dm', 'E7']);
  await row.fill('| Dm | G C | % | A7 |');
  await row.press('Control+Enter');
  await expect(symbols).toHaveText(['Dm', 'G', 'C', 'A7']);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(symbols).toHaveText(['Am', 'F', 'Dm', 'E7']);
  // From another bar on.
  await page.locator('#chord-row-from').fill('3');
  await row.fill('| Bb |');
  await row.press('Control+Enter');
  await expect(symbols).toHaveText(['Am', 'F', 'B♭', 'E7']);
  expect(await graveFindings(page)).toEqual([]);
});

test('a choice for one part shows as its own, the level goes on working there, and it is given back', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await openTab(page, 'Patterns');
  const panel = page.locator('jh-patterns-panel');
  // Part 4 is the same and follows.
  await panel.locator('label', { hasText: 'Each time' }).click();
  await panel.getByRole('button', { name: /^Take/ }).first().click();
  await expect(level(page)).toHaveText(/^5 /);
  const own = page.locator('jh-own-choices');
  await expect(own).toContainText('This part has its own level and style.');
  await chooseLevel(page, 2);
  await expect(level(page)).toHaveText(/^2 /);
  await expect(page.locator('jh-seam .block').first()).toBeVisible();
  await page.keyboard.press('2');
  await expect(level(page)).toHaveText(/^4 /);
  await expect(own).toBeEmpty();
  await page.keyboard.press('1');
  await own.getByRole('button', { name: 'As the song', exact: true }).click();
  await expect(level(page)).toHaveText(/^4 /);
  await expect(own).toBeEmpty();
});

test('a chord has the very keys it is given, by letters or on the piano, once or wherever it is written', async ({
  page,
}) => {
  await openBench(page, 'Lanterns at Low Water', 'chords');
  await arranged(page);
  await page.locator('[data-change=c1] .symbol').click();
  await openTab(page, 'Name');
  const letters = page.getByLabel('The keys in letters');
  await letters.fill('A2 C3 H3');
  await letters.press('Tab');
  await expect(page.getByRole('alert')).toContainText('“H3” is no key');
  await letters.fill('A2 C3 G3');
  await letters.press('Tab');
  await page.getByRole('button', { name: 'Use these keys' }).click();
  await openTab(page, 'Chord');
  await expect(page.locator('jh-chord-panel')).toContainText('You pinned this voicing.');
  await expect(page.locator('jh-chord-panel')).toContainText('Am without its fifth (E). G is not in Am.');
  await expect(page.locator('jh-chord-panel')).toContainText('Played A C G');
  // Every Am of the song: the first of part 2 is not on this page, but on the next.
  await openTab(page, 'Name');
  await page.locator('jh-name-panel summary').click();
  await page.getByRole('button', { name: 'Every Am of the song' }).click();
  await page.locator('body').press('2');
  await page.locator('[data-change=c5] .symbol').click();
  await openTab(page, 'Chord');
  await expect(page.locator('jh-chord-panel')).toContainText('Played A C G');
  expect(await graveFindings(page)).toEqual([]);
});

test('a bar of the left hand is written by keyboard alone, changed note by note, kept over a reload, and given back', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await page.keyboard.press('h');
  const letters = page.getByRole('textbox', { name: 'Letters' });
  const counts = page.getByRole('textbox', { name: 'Counts' });
  await expect(letters).toHaveValue('C3+E3+A3');
  await letters.fill('E2 C3');
  await expect(page.locator('#own-fault')).toHaveText(
    'Letters without a count, from "C" on: say when they are struck.',
  );
  await counts.fill('1 2');
  await expect(page.locator('#own-fault')).toHaveText('');
  const keys = page.locator('jh-seam .block .letter');
  await expect(keys.nth(0)).toHaveText('E');
  await expect(keys.nth(1)).toHaveText('C');
  await page.reload();
  await arranged(page);
  await page.keyboard.press('h');
  await expect(letters).toHaveValue('E2 C3');
  // From note to note, a letter up, an octave up, held shorter.
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Control+ArrowUp');
  await expect(letters).toHaveValue('F3 C3');
  await expect(keys.nth(0)).toHaveText('F');
  await openTab(page, 'Step');
  await expect(page.locator('jh-steps-panel .next')).toContainText(
    'Bar 1, on 1. Both together: right A4 with 3; left F3',
  );
  await openTab(page, 'By hand');
  await page.getByRole('button', { name: 'Let the program play it' }).click();
  await expect(letters).toHaveValue('C3+E3+A3');
  expect(await graveFindings(page)).toEqual([]);
});

test('a key is struck beside what is played by pressing it on the piano, and one on the seam is moved', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await openTab(page, 'By hand');
  await page.locator('jh-seam .block').nth(2).click();
  await page.locator('jh-keyboard [data-midi="60"]').click();
  const letters = page.getByRole('textbox', { name: 'Letters' });
  await expect(letters).toHaveValue('C3+E3+A3+C4');
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(letters).toHaveValue('C3+E3+A3');
  const blocks = page.locator('jh-seam .block .letter', { hasText: /^A$/ });
  const before = await blocks.count();
  await page.getByText('Beside what is played').click();
  await expect(letters).toHaveValue('');
  await letters.fill('A2');
  await page.getByRole('textbox', { name: 'Counts' }).fill('3');
  await expect(blocks).toHaveCount(before + 1);
  await expect(page.getByRole('button', { name: 'Bar 1, left hand, beside' })).toBeVisible();
});

test('thirds are struck with four notes that are picked, heard on Join, told, and given up again', async ({
  page,
}) => {
  await openBench(page, 'Lanterns at Low Water', 'tune');
  await page.locator('jh-seam [data-note=n1]').click();
  await page.locator('jh-seam [data-note=n4]').click({ modifiers: ['Shift'] });
  const choose = async (name: string): Promise<void> => {
    await page.locator('jh-notes-panel nz-select').click();
    await page.locator('.ant-select-item-option', { hasText: name }).click();
  };
  await choose('A third under it');
  const letters = page.locator('jh-seam .note .letter');
  await expect(letters.filter({ hasText: 'G' })).toHaveCount(3);
  await openTab(page, 'Letters');
  await expect(page.getByRole('textbox', { name: 'Letters' })).toHaveValue(/^A4 B C B/);
  await openTab(page, 'Notes');
  // One of them has a key of its own.
  await page.locator('jh-seam [data-note=n1]').click();
  await choose('These keys');
  const keys = page.getByLabel('Keys', { exact: true });
  await keys.fill('C4 X');
  await keys.press('Tab');
  await expect(page.getByRole('alert')).toContainText('"X" is not a letter of the keyboard');
  await keys.fill('C4 E4');
  await keys.press('Tab');
  await openTab(page, 'Letters');
  await expect(page.getByRole('textbox', { name: 'Letters' })).toHaveValue(/^C4\+E4\+A4 /);
  await page.getByRole('link', { name: 'Join' }).click();
  await arranged(page);
  await openTab(page, 'Step');
  await expect(page.locator('jh-steps-panel .next')).toContainText('right C4 E4 A4');
  expect(await graveFindings(page)).toEqual([]);
});

test('chords are put under notes that are picked, one after the other, and all moved by a beat', async ({
  page,
}) => {
  await openBench(page, 'Lanterns at Low Water', 'tune');
  await page.locator('jh-seam [data-note=n1]').click();
  await page.keyboard.press('k');
  const chord = page.getByLabel('Chord', { exact: true });
  await expect(chord).toBeFocused();
  await expect(chord).toHaveValue('Am');
  await chord.fill('Xm');
  await chord.press('Enter');
  await expect(page.getByRole('alert')).toContainText('"Xm" is not a chord');
  await chord.fill('C');
  await chord.press('Enter');
  // The next note is picked, and the field is ready.
  await expect(page.locator('[data-note=n2]')).toHaveClass(/picked-note/);
  await page.keyboard.type('Dm7');
  await page.keyboard.press('Enter');
  await expect(chord).toHaveValue('F');
  const symbols = page.locator('jh-seam .symbol');
  await expect(symbols).toHaveText(['C', 'Dm7', 'F', 'Dm', 'E7']);
  await page.getByRole('link', { name: 'Chords' }).click();
  await openTab(page, 'Suggest');
  const leftOfFirst = async (): Promise<number> => (await symbols.first().boundingBox())?.x ?? 0;
  const before = await leftOfFirst();
  await page.getByRole('button', { name: 'A beat later' }).click();
  await expect.poll(leftOfFirst).toBeGreaterThan(before);
  await expect(symbols.first()).toHaveText('C');
  await page.getByRole('button', { name: 'A beat earlier' }).click();
  await expect.poll(leftOfFirst).toBeCloseTo(before);
  await expect(symbols).toHaveText(['C', 'Dm7', 'F', 'Dm', 'E7']);
});

test('bars that come back have words of their own the second time', async ({ page }) => {
  await openBench(page, 'Mudflat Evening', 'tune');
  await openTab(page, 'Words');
  const words = page.getByRole('textbox', { name: 'Words of this part' });
  await words.fill('Low wa-ter');
  const lyrics = page.locator('jh-seam .lyric');
  await expect(lyrics.first()).toHaveText(/^Low/);
  // They are sung again where nothing else is.
  await page.getByText('Time 2', { exact: true }).click();
  await expect(words).toHaveValue('Low wa-ter');
  await words.fill('High wa-ter');
  await expect(lyrics.first()).toHaveText(/^Low/);
  await page.getByText('Time 1', { exact: true }).click();
  await expect(words).toHaveValue('Low wa-ter');
  // Part 3 is part 1 again, and sings what was written for it.
  await page.locator('jh-parts-rail button').nth(2).click();
  await expect(lyrics.first()).toHaveText(/^High/);
  await expect(words).toHaveValue('High wa-ter');
});

test('notes are dragged on the seam, of the tune and by hand, and a press is still a press', async ({
  page,
}) => {
  await openBench(page, 'Lanterns at Low Water', 'tune');
  const seam = page.locator('jh-seam');
  const first = seam.locator('.note').first();
  const drag = async (from: typeof first, x: number, y: number): Promise<void> => {
    const box = await from.boundingBox();
    if (!box) throw new Error('nothing to drag');
    await page.mouse.move(box.x + 14, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 14 + x / 2, box.y + box.height / 2 + y / 2);
    await page.mouse.move(box.x + 14 + x, box.y + box.height / 2 + y);
    await page.mouse.up();
  };
  const scale = await seam.locator('svg').evaluate((svg: SVGSVGElement) => svg.getScreenCTM()?.a ?? 1);
  await expect(first.locator('.letter')).toHaveText('A');
  await drag(first, 3, -40 * scale);
  await expect(first.locator('.letter')).not.toHaveText('A');
  await page.keyboard.press('Control+z');
  await expect(first.locator('.letter')).toHaveText('A');
  await seam.locator('.note').nth(1).click();
  await expect(seam.locator('.picked-note')).toHaveCount(1);
  // By hand: a key of the left hand goes a count later.
  await page.getByRole('link', { name: 'Join' }).click();
  await openTab(page, 'By hand');
  const block = seam.locator('.block').first();
  const { width } = (await block.boundingBox()) ?? { width: 0 };
  await drag(block, width / 3, 2);
  await expect(page.getByRole('textbox', { name: 'Letters' })).toHaveValue('E3+A3 C3');
  await expect(page.getByRole('textbox', { name: 'Counts' })).toHaveValue('1 2 |');
});

test('a finger moves a note and turns no page; beside the notes it turns one', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openBench(page, 'Lanterns at Low Water', 'tune');
  const browser = await page.context().newCDPSession(page);
  await browser.send('Emulation.setTouchEmulationEnabled', { enabled: true });
  const finger = async (x: number, y: number, by: number): Promise<void> => {
    const at = (dx: number) => [{ x: x + dx, y }];
    await browser.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0) });
    for (const share of [0.3, 0.6, 1])
      await browser.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(share * by) });
    await browser.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  };
  const seam = page.locator('jh-seam');
  const number = seam.locator('.bar-number').first();
  await expect(number).toHaveText('1');
  const second = seam.locator('[data-note=n2]');
  const note = await second.boundingBox();
  if (!note) throw new Error('nothing to drag');
  await finger(note.x + 12, note.y + note.height / 2, -70);
  // The B of bar 1 comes earlier, and part 1 stays.
  await expect.poll(async () => (await second.boundingBox())?.x ?? Infinity).toBeLessThan(note.x - 15);
  await expect(number).toHaveText('1');
  const symbol = await seam.locator('.symbol').first().boundingBox();
  if (!symbol) throw new Error('no chord');
  await finger(symbol.x + 150, symbol.y + 4, -120);
  await expect(number).not.toHaveText('1');
  await browser.send('Emulation.setTouchEmulationEnabled', { enabled: false });
  await browser.detach();
});
