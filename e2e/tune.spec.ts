import { expect, type Page } from '@playwright/test';
import { arrange } from '../core/arrange';
import { writeMidi, writeMusicXml, writeTune } from '../core/formats';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import { arranged, openBench, openTab, storedSong, watch } from './pages';
import { test } from './tab';

const [lanterns, sluicegate, , mudflat] = DEMO_SONGS;

async function openTune(page: Page, title: string): Promise<void> {
  await openBench(page, title, 'tune');
  await expect(page.locator('jh-bench-panel')).toBeVisible();
}

async function load(page: Page, name: string, content: string | Uint8Array): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Song file').setInputFiles({ name, mimeType: '', buffer: Buffer.from(content) });
}

test('letters and counts typed from nothing to a heard tune', async ({ page }) => {
  const watched = watch(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Type a tune' }).first().click();
  // What it begins with is asked in one small step; Enter goes on, and nothing comes to the shelf yet.
  await expect(page.locator('#tune-title')).toBeFocused();
  await page.keyboard.type('Tide Table');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/tune\?tab=letters/);
  await expect(page.locator('#letters')).toBeFocused();
  await expect(page.getByLabel('Title')).toHaveValue('Tide Table');
  await page.goBack();
  await expect(page.getByRole('link', { name: 'Lanterns at Low Water' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Tide Table' })).toHaveCount(0);
  await page.goForward();
  const letters = page.locator('#letters');
  const counts = page.locator('#counts');
  await letters.fill('A4 C B A*2');
  await expect(page.locator('jh-seam .note .letter')).toHaveText(['A', 'C', 'B', 'A', 'A']);
  // A letter that cannot be read is shown at its place; the tune stays as it was.
  await letters.fill('A4 C B H A*2');
  await expect(page.locator('#fault')).toContainText(
    '"H" is no letter here: H is B, and the German B is Bb.',
  );
  await expect(page.getByTestId('fault-place').locator('mark')).toHaveText('H');
  await expect(page.locator('jh-seam .note')).toHaveCount(5);
  await letters.fill('A4 C B A*2');
  await counts.fill('1 3 | 1 2& 5');
  await expect(page.getByTestId('fault-place').locator('mark')).toHaveText('5');
  await counts.fill('1 3 | 1 2& 3 |');
  await expect(page.locator('jh-seam .count')).toHaveText(['1', '3', '1', /&$/, '3']);
  await expect(page.locator('#fault')).toHaveText('');
  await expect(page.locator('main[aria-busy=false]')).toBeVisible();
  await page.getByRole('button', { name: /^Play part/ }).click();
  await expect(page.getByTestId('playhead')).toBeAttached({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  const typed = await storedSong(page);
  expect(typed.melody.map((n) => [n.tick, n.length])).toEqual([
    [0, 1920],
    [1920, 1920],
    [3840, 1440],
    [5280, 480],
    [5760, 1920],
  ]);
  // All that typing is one step back.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('jh-seam .note')).toHaveCount(0);
  expect(watched).toEqual({ errors: [], outside: [] });
});

test('a demo song is told in letters and counts; its rhythm is tapped; keys pressed on the screen write letters', async ({
  page,
}) => {
  await openTune(page, 'Lanterns at Low Water');
  await openTab(page, 'Letters');
  // The part stands whole under what is typed.
  await expect
    .poll(() =>
      page.locator('main').evaluate(({ scrollHeight, clientHeight }) => scrollHeight - clientHeight),
    )
    .toBeLessThanOrEqual(1);
  await expect(page.locator('#letters')).toHaveValue(writeTune(lanterns).letters);
  await expect(page.locator('#counts')).toHaveValue(writeTune(lanterns).counts);
  for (let i = 0; i < 12; i++) await page.getByRole('button', { name: 'Click faster' }).click();
  await page.getByRole('button', { name: 'Tap the rhythm' }).click();
  await expect(page.locator('jh-letters-entry')).toContainText('tap any key', { timeout: 60_000 });
  for (let i = 0; i < 3; i++) {
    await page.keyboard.down('Space');
    await page.waitForTimeout(200);
    await page.keyboard.up('Space');
    await page.waitForTimeout(250);
  }
  await page.getByRole('button', { name: 'Stop tapping' }).click();
  // Three taps, wherever in the bars a busy machine had them: three counts, and no more.
  const counted = async (): Promise<number> => {
    const counts = await page.locator('#counts').inputValue();
    return counts.split(/[\s|]+/).filter((count) => /^\d/.test(count)).length;
  };
  await expect.poll(counted).toBe(3);
  await expect(page.locator('#fault')).toContainText('have no count yet');
  await page.locator('#counts').fill('');
  await page.locator('#letters').fill('C4');
  await page.locator('jh-keyboard rect[data-midi="67"]').dispatchEvent('pointerdown');
  await page.locator('jh-keyboard rect[data-midi="76"]').dispatchEvent('pointerdown');
  await expect(page.locator('#letters')).toHaveValue('C4 /G /E');
});

test('a file with two candidates for the melody is heard and chosen from', async ({ page }) => {
  await load(page, 'evening.mid', writeMidi(arrange(sluicegate, DEFAULT_PROFILE)));
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('3 lines of this file could be the melody');
  await dialog.getByRole('button', { name: 'Hear Left hand, top line' }).click();
  await expect(dialog.getByRole('button', { name: 'Hear Left hand, top line' })).toHaveText(/Stop/, {
    timeout: 60_000,
  });
  await dialog.getByRole('button', { name: 'Hear Left hand, top line' }).click();
  await dialog.getByRole('button', { name: 'Take Right hand' }).click();
  await arranged(page);
  const read = await storedSong(page);
  expect(read.melody.map((n) => [n.tick, n.length])).toEqual(
    sluicegate.melody.map((n) => [n.tick, n.length]),
  );
  expect(read.changes.map((c) => c.symbol)).toEqual(sluicegate.changes.map((c) => c.symbol));
  await expect(page.locator('jh-findings-list')).toContainText('the chords were read off its other notes');
  await page.locator('jh-findings-list').getByRole('button', { name: 'Ignore' }).click();
  await expect(page.locator('jh-findings-list')).not.toContainText('read off');
});

test('a score of two hands is kept as it is written, and a bar of it given to the program', async ({
  page,
}) => {
  const five = applyEdit(sluicegate, { kind: 'choose', choices: { level: 5, pattern: 'rocking' } });
  const text = writeMusicXml(arrange(five, DEFAULT_PROFILE));
  await load(page, 'evening.musicxml', text);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Or keep both hands');
  await dialog.getByRole('button', { name: 'Take Both hands, as written' }).click();
  await arranged(page);
  const read = await storedSong(page);
  expect(read.ownBars.map(({ hand, how, tick }) => [hand, how, tick])).toEqual([
    ['right', 'instead', 0],
    ['left', 'instead', 0],
  ]);
  await openTab(page, 'By hand');
  await expect(page.getByRole('heading', { name: 'Bar 1', exact: true })).toBeVisible();
  const letters = page.getByRole('textbox', { name: 'Letters' });
  await expect(letters).toHaveValue(/^G2 D3 G3 D3/);
  await page.getByRole('button', { name: 'Let the program play it' }).click();
  await expect(letters).toHaveValue(/^[A-G]\d\+[A-G]\d/);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(letters).toHaveValue(/^G2 D3 G3 D3/);
});

test('a chart with words only becomes an accompaniment for singing in every view', async ({ page }) => {
  await load(
    page,
    'net.txt',
    'Metre: 3/4\nVerse:\n| Am | Dm | E7 | Am |\nThread the nee-dle, pull it through\n',
  );
  await arranged(page);
  await expect(page.locator('jh-seam .lyric').first()).toHaveText('Thread');
  await expect(page.locator('jh-seam .symbol')).toHaveText(['Am', 'Dm', 'E7', 'Am']);
  await page.locator('[data-change=c2] .symbol').click();
  await expect(page.locator('jh-reasons')).toContainText('Dm with “nee”, on 1 of bar 2.');
  await page.keyboard.press('s');
  await expect(page.locator('jh-staff .staff > svg').first()).toBeVisible();
  await page.keyboard.press('s');
  await page.getByRole('link', { name: 'Tune' }).click();
  await expect(page.locator('main')).toContainText('This part has no notes yet');
  await openTab(page, 'In words');
  await expect(page.locator('jh-told-panel')).toContainText('Bar 1: Am as');
});

test('chords and words are typed on the shelf; a chord that cannot be read says where and what to do', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Write chords' }).click();
  const text = page.getByRole('textbox', { name: 'Chords and words' });
  await text.fill('Once upon a time');
  await page.getByRole('button', { name: 'Make it a song' }).click();
  await expect(page.getByRole('dialog')).toContainText('No chords were found in this text');
  // Chords over words are read as they are typed, bar by bar; what has no bar lines can last longer.
  await text.fill('[Verse]\nAm        F\nLow tide, high tide\n\nChorus:\nC    G\nSing her');
  const read = page.getByRole('region', { name: 'As it is read' });
  await expect(read.getByRole('heading', { level: 3 })).toHaveText('New song: 4 bars, 4 chords');
  await expect(read.getByRole('heading', { level: 4 })).toHaveText(['Verse', 'Chorus']);
  await expect(read.getByRole('listitem')).toHaveText([
    /1\s*Am\s*Low tide,/,
    /2\s*F\s*high tide/,
    /3\s*C\s*Sing/,
    /4\s*G\s*her/,
  ]);
  await page.getByRole('dialog').getByText('Two bars', { exact: true }).click();
  await expect(read.getByRole('heading', { level: 3 })).toHaveText('New song: 8 bars, 4 chords');
  await text.fill('| Am | Hm | E7 | Am |');
  await expect(page.getByRole('dialog').getByText('Two bars', { exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Make it a song' }).click();
  await arranged(page);
  await expect(page.locator('jh-findings-list')).toContainText('Bar 2: "Hm" is not a chord');
  await page.locator('jh-findings-list').getByRole('button', { name: 'Leave it out', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('jh-findings-list section')).toHaveCount(0);
  // The keyboard goes on from the panel, not from the top of the page.
  await expect(page.locator('aside.reasons *:focus, aside.reasons:focus')).toHaveCount(1);
  // A file without bar lines is looked over before it is a song.
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByLabel('Song file').setInputFiles({
    name: 'harbour.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('Harbour Wall\n\nAm      F\nDown by the wall'),
  });
  await expect(read.getByRole('heading', { level: 3 })).toHaveText('Harbour Wall: 2 bars, 2 chords');
  await page.getByRole('button', { name: 'Make it a song' }).click();
  await arranged(page);
  const seam = page.locator('jh-seam');
  await expect(seam).toContainText('Down');
  // The words of a song without a tune are put right bar by bar.
  await page.getByRole('link', { name: 'Tune' }).click();
  await openTab(page, 'Words');
  const words = page.getByRole('textbox', { name: 'Words of this part' });
  await expect(words).toHaveValue('Down by | the wall');
  await words.fill('Up by | the mill');
  await expect(seam).toContainText('mill');
});

test('a take of the simulated pianist is recorded, compared and kept', async ({ page }) => {
  await openTune(page, 'Sluicegate Song');
  await openTab(page, 'Play in');
  await page.locator('#take-tempo').fill('200');
  await page.locator('#take-bars').fill('1');
  await page.getByRole('button', { name: 'Demo player' }).click();
  await expect(page.locator('jh-play-panel')).toContainText('Count-in', { timeout: 60_000 });
  const takes = page.getByRole('list', { name: 'Attempts' }).locator('li');
  await expect(takes).toHaveCount(1, { timeout: 60_000 });
  await expect(takes.first()).toContainText('4 notes, straight, two to a beat');
  await page.locator('jh-play-panel nz-select').click();
  await page.getByText('a note left out', { exact: true }).click();
  await page.getByRole('button', { name: 'Demo player' }).click();
  await expect(takes).toHaveCount(2, { timeout: 60_000 });
  await expect(takes.first()).toContainText(
    'Beside attempt 1: 0 notes here that the other lacks, 1 the other way',
  );
  await takes.first().getByRole('button', { name: 'Discard' }).click();
  await takes.first().getByRole('button', { name: 'Keep' }).click();
  await expect(takes).toHaveCount(0);
  const kept = await storedSong(page);
  const line = (s: Song): number[][] => s.melody.map((n) => [n.tick, n.length]);
  expect(line(kept)).toEqual(line(sluicegate));
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toHaveAttribute(
    'title',
    'Undo: attempt kept',
  );
});

test('a repeat with two endings is taken out and put back', async ({ page }) => {
  await openTune(page, 'Mudflat Evening');
  await expect(page.locator('jh-parts-rail li')).toHaveCount(8);
  await openTab(page, 'Bars');
  await expect(page.locator('jh-bars-panel')).toContainText('Bars 1–8, then 1–6, then 9–26.');
  await page.getByRole('button', { name: 'Remove the repeats' }).click();
  await expect(page.locator('jh-bars-panel')).toContainText('Played straight through');
  await page.locator('#repeat-to').fill('8');
  await page.locator('#ending-bars').fill('2');
  await page.locator('#ending-bars').press('Tab');
  await page.getByRole('button', { name: 'Repeat these bars' }).click();
  await expect(page.locator('jh-bars-panel')).toContainText('Bars 1–8, then 1–6, then 9–26.');
  expect((await storedSong(page)).playingOrder).toEqual(mudflat.playingOrder);
});

test('notes are put right by keyboard alone, on seam and staff', async ({ page }) => {
  await openTune(page, 'Lanterns at Low Water');
  const letter = page.locator('jh-notes-panel h2');
  await page.keyboard.press('ArrowRight');
  await expect(letter).toHaveText('A');
  await page.keyboard.press('ArrowUp');
  await expect(letter).toHaveText('B');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(letter).toHaveText('B♭');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(letter).toHaveText('A');
  await page.keyboard.press('x');
  await expect(page.locator('jh-seam .note')).toHaveCount(9);
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('j');
  await expect(page.locator('jh-seam .note')).toHaveCount(8);
  await page.keyboard.press('s');
  await expect(page.locator('jh-staff .staff > svg').first()).toBeVisible();
  await page.locator('jh-staff [data-note=n3]').first().click();
  await expect(letter).toHaveText('C');
  await page.keyboard.press('Delete');
  await expect(page.locator('jh-staff [data-note=n3]')).toHaveCount(0);
  await page.keyboard.press('s');
  await page.keyboard.press('w');
  await expect(page.getByLabel('Words of this part')).toBeFocused();
  await page.keyboard.type('lan-terns low');
  await expect(page.locator('jh-seam .lyric').first()).toHaveText('lan-');
  await page.locator('main').click({ position: { x: 400, y: 500 } });
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('a letter up, down');
});

test('easier keys, rhythm versions and the octave for learning', async ({ page }) => {
  await openTune(page, 'Rain on the Net Loft');
  await page.locator('jh-notes-panel label', { hasText: 'Straight' }).click();
  await expect(page.locator('jh-seam .count').nth(1)).toHaveText('2');
  await page.locator('jh-notes-panel label', { hasText: 'As written' }).click();
  await page.locator('jh-notes-panel label', { hasText: 'Lower' }).click();
  await expect(page.locator('jh-seam')).toContainText('shown an octave lower');
  await openTab(page, 'Transpose');
  const first = page
    .getByRole('list', { name: /Keys, the easiest/ })
    .locator('li')
    .first();
  await expect(first).toContainText('A minor', { timeout: 15_000 });
  await first.getByRole('button', { name: 'Take A minor' }).click();
  await expect(page.locator('header .facts')).toContainText('A minor');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('header .facts')).toContainText('D minor');
});

test('an empty shelf shows three ways to begin', async ({ page }) => {
  await page.goto('/');
  await expect(page.locator('article')).toHaveCount(6);
  for (let left = 6; left > 0; left--) {
    await page.locator('article summary').first().click();
    await page.getByRole('button', { name: /^Delete / }).click();
    await expect(page.locator('article')).toHaveCount(left - 1);
  }
  await expect(page.locator('.empty button')).toHaveText(['Type a tune', 'Open a file', 'Look at a demo']);
  await page.getByRole('button', { name: 'Look at a demo' }).click();
  await arranged(page);
  await expect(page.getByLabel('Title')).toHaveValue('Lanterns at Low Water');
});

test('more words than notes are kept and shown, wherever one goes', async ({ page }) => {
  await openTune(page, 'Sluicegate Song');
  await page.locator('jh-bench-panel label', { hasText: 'Words' }).first().click();
  const box = page.getByRole('textbox', { name: 'Words of this part' });
  await expect(box).toHaveValue(/groan;$/);
  const words = `${await box.inputValue()} and the wa-ter is grey`;
  await box.fill(words);
  await expect(page.locator('.spare')).toHaveText('and the wa-ter is grey');
  await expect(box).toHaveValue(words);
  await page.locator('jh-parts-rail button').nth(2).click();
  await expect(box).not.toHaveValue(words);
  await expect(page.locator('.spare')).toHaveText('and the wa-ter is grey');
  await page.locator('jh-words-panel label', { hasText: 'The whole song' }).click();
  await expect(page.getByRole('textbox', { name: 'Words of the song' })).toHaveValue(/^The tide is tur-ning/);
  await page.getByRole('button', { name: 'Leave them out' }).click();
  await expect(page.locator('.spare')).toHaveCount(0);
});
