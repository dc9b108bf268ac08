import { expect, type Page } from '@playwright/test';
import midiReader from '@tonejs/midi';
import { readFileSync } from 'node:fs';
import { arrange } from '../core/arrange';
import { readProject } from '../core/formats';
import { applyEdit, DEFAULT_PROFILE } from '../core/song';
import { writeWalkthrough } from '../core/words';
import { DEMO_SONGS } from '../demo/songs';
import { arranged, openSong, fromMenu, switchCountIn } from './pages';
import { test } from './tab';

const [lanterns, sluicegate] = DEMO_SONGS;

async function exported(page: Page, name: string): Promise<{ file: string; content: Buffer }> {
  const downloading = page.waitForEvent('download');
  await page.getByRole('dialog').getByRole('button', { name }).click();
  const download = await downloading;
  return { file: download.suggestedFilename(), content: readFileSync(await download.path()) };
}

test('a song is taken away in every form, each holding the arrangement', async ({ page }) => {
  await openSong(page, 'Sluicegate Song');
  await fromMenu(page, 'Export');
  const walkthrough = await exported(page, 'Walkthrough');
  expect(walkthrough.file).toBe('sluicegate-song.txt');
  expect(walkthrough.content.toString()).toBe(writeWalkthrough(arrange(sluicegate, DEFAULT_PROFILE)));
  const midi = await exported(page, 'MIDI');
  const read = new midiReader.Midi(midi.content);
  expect(read.tracks.map((t) => [t.name, t.notes.length])).toEqual([
    ['Right hand', sluicegate.melody.length],
    ['Left hand', arrange(sluicegate, DEFAULT_PROFILE).left.length],
  ]);
  const project = await exported(page, 'Project');
  expect(readProject(project.content.toString()).song).toEqual(sluicegate);
});

test('a song is renamed, and its exported project opens again with its pins and choices', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await page.getByLabel('Title').fill('Lamps on the Mud');
  await page.getByLabel('Title').press('Tab');
  await page.locator('[data-change=c5] .symbol').or(page.locator('[data-change=c1] .symbol')).first().click();
  await page.locator('.alternatives .ant-btn', { hasText: 'Take' }).first().click();
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeVisible();
  await fromMenu(page, 'Export');
  const project = await exported(page, 'Project');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Lamps on the Mud' })).toBeVisible();
  await page
    .getByLabel('Song file')
    .setInputFiles({ name: project.file, mimeType: 'application/json', buffer: project.content });
  await arranged(page);
  await page.locator('[data-change=c1] .symbol').click();
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeVisible();
  await page.getByRole('button', { name: 'Release this pin' }).click();
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeHidden();
});

test('Play from the keyboard keeps the focus; parts 1 to 2 are played in a row and the bench follows', async ({
  page,
}) => {
  await openSong(page, 'Sluicegate Song');
  const play = page.getByRole('button', { name: 'Play part 1' });
  await play.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(play).toBeFocused();
  for (let i = 0; i < 12; i++) await page.getByRole('button', { name: 'Faster' }).click();
  await expect(page.locator('jh-transport')).toContainText('160 %');
  await switchCountIn(page);
  await page.keyboard.press('2');
  await page.getByRole('button', { name: '1–2' }).click();
  await expect(page.locator('jh-parts-rail [aria-current=step] .number')).toHaveText('1', {
    timeout: 60_000,
  });
  await expect(page.locator('jh-parts-rail [aria-current=step] .number')).toHaveText('2', {
    timeout: 60_000,
  });
  await page.getByRole('button', { name: 'Stop' }).click();
  // What plays can be stopped on a bench that has no use for it.
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Handout', exact: true }).click();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.locator('jh-transport')).toHaveCount(0);
});

test.describe('on a telephone', () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test('parts and reasons slide in, the seam and the keyboard stay, and playing works', async ({ page }) => {
    await openSong(page, 'Lanterns at Low Water');
    const rail = page.locator('aside.rail');
    await expect(rail).toBeHidden();
    await page.getByRole('button', { name: 'All parts' }).click();
    await expect(rail).toBeVisible();
    await rail.getByRole('button', { name: /Middle/ }).click();
    await expect(page.locator('jh-seam .symbol').first()).toHaveText('F');
    await page.getByRole('button', { name: 'Panel', exact: true }).click();
    await expect(rail).toBeHidden();
    await expect(page.locator('aside.reasons')).toContainText('Part 3 C');
    await page.getByRole('button', { name: 'Panel', exact: true }).click();
    await page.locator('[data-change] .symbol').first().click();
    const shown = await page.locator('jh-keyboard svg rect').count();
    const used = arrange(applyEdit(lanterns, { kind: 'choose', choices: {} }), DEFAULT_PROFILE);
    expect(shown).toBeLessThan(50);
    expect(used.parts[2].number).toBe(3);
    // Nothing that playing needs was closed.
    await page.getByRole('button', { name: 'Play part 3' }).click();
    await expect(page.getByTestId('playhead')).toBeAttached({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Stop' }).click();
  });
});
