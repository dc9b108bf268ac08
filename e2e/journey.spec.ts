import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { arrange } from '../core/arrange';
import { readProject } from '../core/formats';
import { DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import { Keys } from './keyboard';
import {
  arranged,
  fromMenu,
  openFromShelf,
  openSong,
  openTab,
  watch,
  chooseLevel,
  switchCountIn,
} from './pages';
import { test } from './tab';
import { readMusicXml } from '../core/testing';

interface Heard {
  readonly notes: readonly {
    readonly at: number;
    readonly midi: number;
    readonly hand: string;
    readonly tick: number;
  }[];
}

test('a demo song, from the shelf to an exported file, and back after a reload', async ({ page }) => {
  const watched = watch(page);
  await openFromShelf(page, 'Lanterns at Low Water');

  // Select the second chord, hear the next-best voicing, take it: it is pinned and the rest solved round it.
  await page.locator('[data-change=c2] .symbol').click();
  await expect(page.getByRole('heading', { name: 'F, second inversion' })).toBeVisible();
  await expect(page.locator('jh-reasons')).toContainText(
    'C and A stay, E rises a half step to F: 1 half step in all.',
  );
  const second = page.locator('.alternatives li').nth(1);
  await second.getByRole('button', { name: /^Hear/ }).click();
  const letters = await second.locator('b').textContent();
  await second.getByRole('button', { name: 'Take' }).click();
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeVisible();
  await expect(page.locator('.keys b')).toHaveText((letters ?? '').split(' '));
  await expect(page.locator('[data-change=c2] circle.pin')).toBeVisible();

  // Climb to the moving left hand.
  await chooseLevel(page, 5);
  await expect(page.locator('jh-transport')).toContainText('Moving left hand');
  await arranged(page);

  // Play: the playhead moves, and what is struck is the arrangement's timeline.
  await page.evaluate(() => {
    const kept = window as unknown as { heard: unknown; struck: [due: number, now: number][] };
    kept.struck = [];
    document.addEventListener('joined-hands:playing', (event) => {
      kept.heard = (event as CustomEvent).detail;
    });
    const start = AudioBufferSourceNode.prototype.start;
    AudioBufferSourceNode.prototype.start = function (...when: number[]) {
      // Samples of strings, and not what the library tries out when it is loaded.
      if (when.length > 0 && (this.buffer?.duration ?? 0) > 0.5)
        kept.struck.push([when[0], this.context.currentTime]);
      start.apply(this, when as [number]);
    };
  });
  await switchCountIn(page);
  await page.getByRole('button', { name: 'Play part 1' }).click();
  const playhead = page.getByTestId('playhead');
  await expect(playhead).toBeAttached({ timeout: 60_000 });
  const first = Number(await playhead.getAttribute('x1'));
  await expect.poll(async () => Number(await playhead.getAttribute('x1'))).toBeGreaterThan(first);
  await expect(page.locator('jh-keyboard rect.left')).not.toHaveCount(0);
  const strikes = (): Promise<[number, number][]> =>
    page.evaluate(() => (window as unknown as { struck: [number, number][] }).struck);
  await expect.poll(async () => (await strikes()).length).toBeGreaterThan(4);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(playhead).not.toBeAttached();

  const heard = await page.evaluate(() => (window as unknown as { heard: Heard }).heard);
  const downloading = page.waitForEvent('download');
  await fromMenu(page, 'Export');
  await page.getByRole('button', { name: 'Project' }).click();
  const project = readProject(readFileSync(await (await downloading).path(), 'utf8'));
  expect(project.song.pins).toHaveLength(1);
  const expected = arrange(project.song, project.profile);
  const part = expected.timeline.notes.filter((n) => n.tick < expected.parts[0].toTick);
  expect(heard.notes.map((n) => [n.tick, n.midi, n.hand])).toEqual(part.map((n) => [n.tick, n.midi, n.hand]));
  heard.notes.forEach((n, i) => expect(n.at).toBeCloseTo(part[i].seconds, 3));
  // What was struck until it was stopped is given to the sound for when it is due, to 3 ms; where the page was too busy, at once.
  const due = (await strikes()).flatMap(([at, now]) => (at - now > 0.01 ? [at] : []));
  expect(due.length).toBeGreaterThan(0);
  const isDue = (seconds: number): boolean => heard.notes.some(({ at }) => Math.abs(at - seconds) < 0.003);
  const fits = heard.notes.filter(({ at: first }) => due.every((at) => isDue(first + at - due[0])));
  expect([due, fits.length > 0]).toEqual([due, true]);

  const writing = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML', exact: true }).click();
  const score = await writing;
  expect(score.suggestedFilename()).toBe('lanterns-at-low-water.musicxml');
  const read = readMusicXml(readFileSync(await score.path(), 'utf8'), 'id', '');
  expect(read.melody).toHaveLength(DEMO_SONGS[0].melody.length);

  // The pin, the level and the place are there after a reload.
  await page.waitForTimeout(900);
  await page.reload();
  await arranged(page);
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeVisible();
  await expect(page.locator('jh-transport')).toContainText('Moving left hand');
  expect(watched).toEqual({ errors: [], outside: [] });
});

test('the main work by keyboard alone', async ({ page }) => {
  await page.goto('/');
  const keys = new Keys(page);
  await expect(page.getByRole('link', { name: 'Sluicegate Song' })).toBeVisible();
  await keys.tabTo('a[href="/song/demo-sluicegate"]', 30);
  await keys.press('Enter');
  await arranged(page);

  await keys.press('3');
  await expect(page.locator('jh-parts-rail [aria-current=step]')).toContainText('Bridge');
  await keys.press('ArrowRight');
  await expect(page.locator('jh-reasons h2')).toHaveText('Em, root position');
  await expect(page.locator('.alternatives li')).not.toHaveCount(1);
  await keys.press('ArrowDown');
  await expect(page.locator('.alternatives li.tried')).toHaveCount(1);
  await keys.press('Enter');
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeVisible();
  await keys.press('Control+z');
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeHidden();
  await keys.press('Control+Shift+z');
  await expect(page.getByRole('button', { name: 'Release this pin' })).toBeVisible();
  await keys.press('Escape');
  await expect(page.locator('jh-reasons h2')).toHaveText('Part 3 B');
  await keys.press('-');
  await expect(page.locator('jh-transport')).toContainText('95 %');
  await keys.press('s');
  await expect(
    page.getByRole('img', { name: 'Part 3 on the grand staff' }).locator('svg').first(),
  ).toBeVisible();
  await keys.press('s');
  await keys.press('l');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await keys.press('Space');
  await expect(page.getByRole('button', { name: 'Play part 3' })).toBeVisible();
  await keys.press('Shift+Digit2');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await keys.press('Space');
  for (const [number, bench] of [
    [6, 'Practise'],
    [4, 'Join'],
  ] as const) {
    await keys.press(`Alt+Digit${number}`);
    await expect(page.getByRole('link', { name: bench, exact: true })).toHaveAttribute(
      'aria-current',
      'page',
    );
  }
  await keys.press('?');
  await expect(page.getByRole('dialog')).toContainText('two digits typed quickly');
  await keys.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('walks are offered at the seventh level and can be left out; the profile is honoured at once', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await chooseLevel(page, 7);
  await page.keyboard.press('5');
  const walk = page.locator('.fills li').first();
  await expect(walk).toContainText('bar 20, from 2: A2 G2 to F2');
  await expect(page.locator('.block.fill')).toHaveCount(2);
  await walk.getByRole('button', { name: 'Leave out' }).click();
  await expect(page.locator('.block.fill')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('.block.fill')).toHaveCount(2);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.block.fill')).toHaveCount(0);
  await fromMenu(page, 'Settings');
  await page.getByRole('radiogroup').or(page.locator('nz-radio-group')).first().getByText('Sixth').click();
  await page.getByText('61 keys').click();
  await page.getByRole('link', { name: 'Song' }).click();
  await arranged(page);
  await expect(page.locator('jh-keyboard svg rect')).toHaveCount(61);
  const { changes } = arrange(DEMO_SONGS[0], { ...DEFAULT_PROFILE, leftReach: 6, keyboard: 61 });
  await page.locator('body').press('1');
  await page.locator('[data-change=c1] .symbol').click();
  await expect(page.locator('.keys b')).toHaveText(
    changes[0].pitches.map((p) => p.letter + (p.alter === 1 ? '♯' : '')),
  );
});

test('a style is heard and taken for the song, another for a section; each says why it suits or what it is', async ({
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  await openTab(page, 'Patterns');
  const styles = page.getByRole('region', { name: 'Styles' });
  await expect(styles).toContainText('Suits this song: three slow beats');
  await styles.getByText('14 other styles').click();
  await styles.getByRole('button', { name: 'Take Waltz' }).click();
  await arranged(page);
  await expect(page.locator('jh-transport')).toContainText('Moving left hand');
  await expect(styles.locator('.heard')).toContainText('Waltz');
  await page.locator('jh-patterns-panel label', { hasText: 'Section' }).click();
  await styles.getByRole('button', { name: 'Take Still' }).click();
  await arranged(page);
  await expect(styles.locator('.heard')).toContainText('Still');
  await page.keyboard.press('Control+z');
  await expect(styles.locator('.heard')).toContainText('Waltz');
});
