import { expect, type Page } from '@playwright/test';
import { writeProject } from '../core/formats';
import { DEFAULT_PROFILE, type Song } from '../core/song';
import { wholeBars } from '../core/testing';
import { DEMO_SONGS } from '../demo/songs';
import { graveFindings } from './axe';
import { fromMenu, openBench, openSong, watch } from './pages';
import { test } from './tab';

const [lanterns] = DEMO_SONGS;

async function openProject(page: Page, song: Song): Promise<void> {
  await page.goto('/');
  const buffer = Buffer.from(writeProject({ song, profile: DEFAULT_PROFILE }));
  await page
    .getByLabel('Song file')
    .setInputFiles({ name: 'song.joined.json', mimeType: 'application/json', buffer });
  await expect(page.locator('jh-seam')).toBeVisible();
}

async function toChords(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Chords', exact: true }).click();
  await expect(page.locator('jh-bench-panel')).toBeVisible();
}

async function openChords(page: Page, title: string): Promise<void> {
  await openBench(page, title, 'chords');
  await expect(page.locator('jh-bench-panel')).toBeVisible();
}

async function tab(page: Page, name: string): Promise<void> {
  await page
    .locator('jh-bench-panel label', { hasText: new RegExp(`^${name}$`) })
    .first()
    .click();
}

interface Struck {
  readonly midi: number;
  readonly hand: string;
}

/** Waits for what is played next; resolves with its notes. */
function heardNext(page: Page): Promise<Struck[]> {
  return page.evaluate(
    () =>
      new Promise<Struck[]>((resolve) =>
        document.addEventListener(
          'joined-hands:playing',
          (event) => resolve((event as CustomEvent<{ notes: Struck[] }>).detail.notes),
          { once: true },
        ),
      ),
  );
}

/** The suggestions for the chord selected stand in the panel: nothing in it moves any more. */
async function weighed(page: Page): Promise<void> {
  await expect(page.locator('jh-chord-panel')).toContainText('Suggested here');
  await expect(page.locator('jh-chord-panel')).not.toContainText('Weighing every chord');
}

const symbols = (page: Page) => page.locator('jh-seam .symbol');

test('a bare tune gets a full set of chords, one is heard otherwise and taken, all by keyboard', async ({
  page,
}) => {
  const watched = watch(page);
  await openProject(page, { ...lanterns, id: 'bare', title: 'Bare tune', changes: [], pins: [] });
  await toChords(page);
  await expect(page.locator('jh-chord-panel')).toContainText('No chord yet');
  await page.keyboard.press('c');
  await expect(symbols(page).first()).toHaveText('Am');
  await expect(page.locator('jh-parts-rail .number')).toHaveCount(6);
  await page.keyboard.press('ArrowRight');
  // Asked for while the chords may still be being weighed: heard as soon as they are.
  await page.keyboard.press('n');
  await page.keyboard.press('n');
  const heard = page.locator('jh-chord-panel .ranked .heard b');
  await expect(page.getByText(/, 2 of \d+\. T takes it\./)).toHaveCount(1);
  await expect(heard).toHaveCount(1);
  const wanted = (await heard.textContent()) ?? '';
  await page.keyboard.press('t');
  await expect(symbols(page).first()).toHaveText(wanted);
  await page.keyboard.press('Control+z');
  await expect(symbols(page).first()).toHaveText('Am');
  // The ladder, a half step and back, later by half a beat, left out.
  await page.keyboard.press('d');
  await expect(symbols(page).first()).toHaveText('Am7');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(symbols(page).first()).toHaveText('B♭m7');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(symbols(page).first()).toHaveText('Am7');
  await page.keyboard.press('.');
  await expect(page.locator('jh-chord-panel')).toContainText('which is held: between A and B, on 1 &');
  await page.keyboard.press('ArrowRight');
  await expect(symbols(page)).toHaveText(['Am7', 'Dm', 'E7']);
  await page.keyboard.press('x');
  await expect(symbols(page)).toHaveText(['Am7', 'E7']);
  await page.keyboard.press('w');
  await expect(page.locator('#symbol')).toHaveCount(0);
  expect(watched.errors).toEqual([]);
});

test('a rub is found, understood and remedied', async ({ page }) => {
  await openProject(page, {
    ...wholeBars(['F5', 'E5', 'D5', 'C5'], ['C', 'C', 'G7', 'C']),
    title: 'Rubbing',
  });
  await toChords(page);
  const finding = page.locator('.findings > li', { hasText: 'clashes with C' });
  await expect(finding).toContainText('F clashes with C: the 11 over a major third, for 4 beats on 1');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('jh-chord-panel .roles .rub')).toContainText('F clashes with C');
  await weighed(page);
  await finding.getByRole('button', { name: /^Csus4/ }).click();
  await expect(symbols(page).first()).toHaveText('Csus4');
  await expect(finding).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(finding).toHaveCount(1);
});

test('hands that come too close: remedies are heard in their place, one is taken, and taken back', async ({
  page,
}) => {
  const bars = wholeBars(['C5', 'C5'], ['C', 'C']);
  const [first, second] = bars.melody;
  const half = { ...first, length: 1920 };
  const down = { ...half, id: 'down', tick: 1920, pitch: { ...half.pitch, letter: 'G' as const, octave: 4 } };
  await openProject(page, {
    ...bars,
    title: 'Close hands',
    melody: [half, down, second],
    pins: [{ changeId: bars.changes[0].id, keys: [55, 60, 67], fingers: null }],
  });
  await toChords(page);
  const finding = page.locator('.findings > li', { hasText: 'Both hands want G4 here' });
  await expect(finding.locator('.remedies li')).toHaveCount(4);
  await finding.getByRole('button', { name: '6 more remedies' }).click();
  await expect(finding.locator('.remedies li')).toHaveCount(10);
  const playing = heardNext(page);
  await finding.getByRole('button', { name: 'Hear: Let the right hand play G4 for both' }).click();
  // In the bar as it would be the left hand strikes G once and lets it go; nothing is altered by hearing it.
  const struck = (await playing).filter((n) => n.midi === 67);
  expect(struck.map((n) => n.hand).sort()).toEqual(['left', 'right']);
  await expect(finding).toBeVisible();
  await finding.getByRole('button', { name: 'Let the right hand play G4 for both', exact: true }).click();
  await expect(finding).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('jh-chord-panel')).toContainText('played by the right hand for both');
  await weighed(page);
  await page
    .locator('nz-select')
    .filter({ has: page.locator('#close-hands') })
    .click();
  await page.locator('.ant-select-item-option', { hasText: 'thin the chord' }).click();
  await expect(finding).toBeVisible();
});

test('an unknown symbol is refused in a sentence; chords that hold a note are heard and put aside; keys are named', async ({
  page,
}) => {
  await openChords(page, 'Lanterns at Low Water');
  await page.keyboard.press('ArrowRight');
  for (const wrong of ['Hm', 'C7maj7']) {
    await page.locator('#symbol').fill(wrong);
    await page.locator('#symbol').press('Enter');
    await expect(page.locator('jh-bench-panel .notice')).toContainText('is not a chord');
  }
  await expect(symbols(page).first()).toHaveText('Am');
  await page.locator('#symbol').fill('N.C.');
  await page.locator('#symbol').press('Enter');
  await expect(symbols(page).first()).not.toHaveText('Am');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(symbols(page).first()).toHaveText('Am');
  await tab(page, 'Holds');
  await expect(page.locator('jh-holds-panel h2')).toHaveText('Chords that hold A');
  const first = page.locator('jh-holds-panel .ranked b').first();
  const name = (await first.textContent()) ?? '';
  await page.getByRole('button', { name: `Put ${name} aside` }).click();
  await expect(first).not.toHaveText(name);
  await page.getByRole('button', { name: 'Bring back what you ruled out' }).click();
  await expect(first).toHaveText(name);
  await tab(page, 'Name');
  for (const midi of [61, 64, 67, 71])
    await page.locator(`jh-keyboard [data-midi="${midi}"]`).dispatchEvent('pointerdown');
  await expect(page.locator('jh-name-panel .ranked b').first()).toContainText('C♯m7♭5');
  await expect(page.locator('jh-name-panel .ranked')).toContainText('Em6');
});

test('a drill in three keys with the simulated pianist, mistakes marked and put right', async ({ page }) => {
  const watched = watch(page);
  await page.goto('/chords');
  await page.locator('jh-chord-room label', { hasText: 'Drills' }).click();
  await page.getByLabel('How many keys').fill('3');
  await page.getByLabel('How many keys').press('Enter');
  await page.getByLabel('Tempo (BPM)').fill('200');
  await page.getByLabel('Tempo (BPM)').press('Enter');
  await page.getByRole('button', { name: 'Demo player' }).click();
  await expect(page.locator('jh-drill-tab .asked.done')).toContainText('9 of 9 right, 2 to try again', {
    timeout: 120_000,
  });
  expect(watched.errors).toEqual([]);
});

test('a drill on the screen marks what is missing and what is too much; shapes say whether the hand reaches', async ({
  page,
}) => {
  await page.goto('/chords');
  await expect(page.locator('jh-shapes-tab .shapes section')).toHaveCount(4);
  await expect(page.locator('jh-shapes-tab .shapes')).toContainText('within your hand');
  await page.locator('jh-chord-room label', { hasText: 'Drills' }).click();
  await page.getByRole('button', { name: 'Begin the drill' }).click();
  const held = page.locator('jh-drill-tab jh-keyboard rect.left');
  await expect(held).toHaveCount(4);
  const keys = await held.evaluateAll((list) => list.map((rect) => Number(rect.getAttribute('data-midi'))));
  const press = async (midi: number): Promise<void> =>
    page.locator(`jh-drill-tab jh-keyboard [data-midi="${midi}"]`).dispatchEvent('pointerdown');
  for (const midi of [...keys.slice(0, 3), keys[3] + 1]) await press(midi);
  await expect(page.locator('.verdict')).toContainText('Not yet. Missing:');
  for (const midi of keys) await press(midi);
  await expect(page.locator('.verdict')).toHaveText('Right.');
  await expect(page.locator('jh-drill-tab .steps .done')).toHaveCount(1);
});

test('warm-ups and the progressions of the open song', async ({ page }) => {
  await openSong(page, 'Lanterns at Low Water');
  await fromMenu(page, 'Chord room');
  await expect(page.locator('jh-chord-room')).toContainText('those of Lanterns at Low Water');
  await page.locator('jh-chord-room label', { hasText: 'Warm-ups' }).click();
  await expect(page.locator('jh-warm-up-tab h2').first()).toHaveText('A minor scale, right hand');
  await page.locator('jh-chord-room label', { hasText: 'Drills' }).click();
  await page.locator('jh-drill-tab nz-select').first().click();
  await expect(
    page.locator('.ant-select-item-option', { hasText: 'i – VI – iv – V7 (yours)' }),
  ).toBeVisible();
});

/** No serious finding of axe, nothing to scroll sideways. */
async function check(page: Page, where = 'body'): Promise<void> {
  expect(await graveFindings(page, where)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1)).toBe(true);
}

test('the Chords bench has no serious finding of axe, wide and narrow', async ({ page }) => {
  await openChords(page, 'Mudflat Evening');
  await page.keyboard.press('ArrowRight');
  for (const name of ['Chord', 'Voicing']) {
    await tab(page, name);
    await check(page, 'jh-bench-panel');
  }
  await tab(page, 'Holds');
  await check(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await check(page);
});

test('the Chord room has no serious finding of axe, wide and narrow', async ({ page }) => {
  await page.goto('/chords');
  for (const [tab, width] of [
    ['Chords', 1280],
    ['Drills', 390],
    ['Warm-ups', 390],
  ] as const) {
    await page.setViewportSize({ width, height: 844 });
    await page.locator('jh-chord-room label', { hasText: tab }).click();
    await check(page);
  }
});
