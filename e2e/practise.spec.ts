import { expect, type Page } from '@playwright/test';
import { graveFindings } from './axe';
import { arranged, fromMenu, openBench, openPractise, title, toRightHand, watch } from './pages';
import { softTone } from './sounds';
import { test } from './tab';

const now = (page: Page) => page.locator('jh-now-panel');

test('a sitting: a plan, a goal missed and passed, judged, its hot spot practised, kept in a log that goes out and in', async ({
  page,
}) => {
  const watched = watch(page);
  await openPractise(page, 'Lanterns at Low Water');
  await toRightHand(page);
  await expect(now(page)).toContainText('100 % of the tempo; 0 of 1 clean in a row');
  await now(page).getByRole('button', { name: 'Demo player, careless' }).click();
  await expect(title(page, 'Not yet')).toBeVisible({ timeout: 60_000 });
  await expect(
    now(page)
      .getByRole('button', { name: /^Loop bar/ })
      .first(),
  ).toBeVisible();
  const bars = now(page).getByRole('table', { name: 'Bar by bar' }).locator('tbody tr');
  await expect(bars.locator('td:first-child')).toHaveText(['1', '2', '3', '4']);
  await expect(bars.locator('td:nth-child(2)')).toHaveText(Array(4).fill(/^\d of \d$/));
  // How loud each note was is told at the note.
  await expect(page.locator('jh-seam rect.loudness')).not.toHaveCount(0);
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
  // Without an instrument one says how it went.
  await page.keyboard.press('y');
  await expect(title(page, 'Clean, and passed')).toBeVisible();

  await page.keyboard.press('i');
  const places = page.locator('jh-places-panel');
  await expect(places.getByRole('list', { name: /^Bars of the song/ }).getByRole('listitem')).toHaveCount(24);
  await places
    .getByRole('button', { name: /^Practise bar/ })
    .first()
    .click();
  await expect(title(page, 'Part 1: the place that goes wrong')).toBeVisible();

  await page.keyboard.press('g');
  const rows = page.getByRole('table', { name: 'The last turns' }).locator('tbody tr');
  await expect(rows).toHaveCount(4);
  await expect(rows.getByRole('button', { name: /^Hear the turn/ })).toHaveCount(1);
  await page.getByRole('textbox', { name: 'Notes of your own' }).fill('Bar 2: slower.');
  await page.keyboard.press('Enter');
  await expect(page.locator('jh-log-panel')).toContainText('Bar 2: slower.');
  expect(await graveFindings(page, 'jh-bench-panel')).toEqual([]);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Export the log/ }).click();
  let csv = '';
  for await (const part of await (await saved).createReadStream()) csv += String(part);
  expect(csv.split('\r\n')[0]).toContain('tempoPercent');
  expect(csv.split('\r\n')).toHaveLength(5);

  // What was practised is still known after the page was loaded anew; read in again it is there once.
  await page.reload();
  await expect(now(page).getByRole('heading').first()).toBeVisible();
  await page.keyboard.press('g');
  await expect(rows).toHaveCount(4);
  const file = (name: string, text: string) => ({ name, mimeType: '', buffer: Buffer.from(text) });
  await page.getByLabel('Log file').setInputFiles(file('again.csv', csv));
  await expect(page.getByText('0 turns were added; 4 turns were here already.')).toBeVisible();
  await page.getByLabel('Log file').setInputFiles(file('x.csv', 'name,age\r\nAda,36\r\n'));
  await expect(page.getByRole('alert').filter({ hasText: 'x.csv: this is no practice log' })).toBeVisible();

  // It goes along with the project, to another song of the same notes.
  const project = page.waitForEvent('download');
  await fromMenu(page, 'Export');
  await page.getByRole('button', { name: 'Project', exact: true }).click();
  const path = await (await project).path();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByLabel('Song file').setInputFiles({
    name: 'lanterns.joined.json',
    mimeType: '',
    buffer: await (await import('node:fs/promises')).readFile(path),
  });
  await arranged(page);
  await page.getByRole('link', { name: 'Practise', exact: true }).click();
  await expect(now(page).getByRole('heading').first()).toBeVisible();
  await page.keyboard.press('g');
  await expect(rows).toHaveCount(4);
  await expect(page.locator('jh-log-panel')).toContainText('Bar 2: slower.');
  expect(watched.errors).toEqual([]);
  expect(watched.outside).toEqual([]);
});

test('a recording of one’s own is tapped in and looped, kept, and taken out; what is no sound is refused', async ({
  page,
}) => {
  const watched = watch(page);
  await openBench(page, 'Lanterns at Low Water', 'practise');
  await expect(title(page, 'Part 1: hear it')).toBeVisible();
  await page.keyboard.press('o');
  const panel = page.locator('jh-recording-panel');
  await panel
    .getByLabel('Recording', { exact: true })
    .setInputFiles({ name: 'notes.mp3', mimeType: 'audio/mpeg', buffer: Buffer.from('not a sound') });
  await expect(panel.getByRole('alert')).toContainText('notes.mp3 cannot be played by this browser');
  await panel
    .getByLabel('Recording', { exact: true })
    .setInputFiles({ name: 'evening.wav', mimeType: 'audio/wav', buffer: softTone(12) });
  await expect(panel).toContainText('None of its 24 bars is tapped in yet.');
  await panel.getByRole('button', { name: 'Tap the bars in' }).click();
  for (let bar = 1; bar <= 5; bar++) {
    await page.waitForTimeout(350);
    await page.keyboard.press('t');
    await expect(panel.getByRole('button', { name: `Bar ${bar + 1} (T)` })).toBeVisible();
  }
  await panel.getByRole('button', { name: 'Done' }).click();
  await expect(panel).toContainText('5 of 24 bars are tapped in.');
  await panel.locator('label', { hasText: 'In turn' }).click();
  await panel.getByRole('button', { name: 'Loop part 1' }).click();
  await expect(panel.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.waitForTimeout(2500);
  await panel.getByRole('button', { name: 'Stop' }).click();
  await panel.locator('label', { hasText: 'Both together' }).click();
  await panel.getByRole('button', { name: 'Loop part 1' }).click();
  await expect(page.locator('jh-seam .note.sounding').first()).toBeVisible();
  await panel.getByRole('button', { name: 'Stop' }).click();
  await expect(page.locator('jh-seam .note.sounding')).toHaveCount(0);
  expect(await graveFindings(page, 'jh-recording-panel')).toEqual([]);

  await page.reload();
  await expect(title(page, 'Part 1: hear it')).toBeVisible();
  await page.keyboard.press('o');
  await expect(panel).toContainText('evening.wav');
  await expect(panel).toContainText('5 of 24 bars are tapped in.');
  await panel.getByRole('button', { name: 'Remove it' }).click();
  await expect(panel.getByRole('button', { name: 'Choose a file' })).toBeVisible();
  expect(watched.errors.filter((text) => !/DEMUXER|ERR_|Failed to load/.test(text))).toEqual([]);
});

test('no MIDI and no microphone are said plainly; songs of the shelf are ranked for what one wants to work on', async ({
  page,
}) => {
  await openPractise(page, 'Boathouse Jig');
  await toRightHand(page);
  await now(page).getByRole('button', { name: 'MIDI' }).click();
  await expect(now(page).getByRole('alert')).toContainText('Say how it went, or use other keys.');
  await now(page).getByRole('button', { name: 'Microphone' }).click();
  await expect(now(page).getByRole('alert')).toContainText(/[Mm]icrophone/);
  await page.keyboard.press('i');
  await page.getByRole('button', { name: 'Look through the shelf' }).click();
  const songs = page.locator('jh-next-songs ol li');
  await expect(songs).toHaveCount(5);
  const first = await songs.first().textContent();
  await page.locator('jh-next-songs label', { hasText: 'Leaps' }).click();
  await expect(songs.first()).not.toHaveText(first ?? '');
  await songs.filter({ hasNotText: 'Boathouse Jig' }).first().getByRole('link').click();
  await expect(title(page, 'Part 1: hear it')).toBeVisible();
});
