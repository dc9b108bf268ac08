// One current picture of each main view, from the demo songs: npm run screenshots (after npm run build).
import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { withBrowser } from './bench-browser';
import { chooseLevel } from '../e2e/pages';

const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
mkdirSync(folder, { recursive: true });

await withBrowser(async (browser, origin) => {
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
  ).newPage();
  const shoot = async (name: string): Promise<void> => {
    await page.evaluate(() => document.fonts.ready);
    // What was done last stands over the lowest lines for some seconds.
    await page.locator('jh-done-line p').waitFor({ state: 'hidden' });
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}${name}.png` });
  };
  await page.goto(origin);
  await page.locator('article').first().waitFor();
  await shoot('shelf');
  await page.getByRole('link', { name: 'Lanterns at Low Water' }).click();
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.locator('[data-change=c3] .symbol').click();
  await page.locator('.alternatives jh-offer').nth(1).waitFor();
  await shoot('join');
  await page.goto(`${origin}/song/demo-sluicegate/handout`);
  for (const sheet of ['Full score', 'Lead sheet']) {
    await page.getByRole('button', { name: `Add ${sheet}` }).click();
    const drawn = page.locator(`section[aria-label*="${sheet}"]`).first();
    await drawn.waitFor({ state: 'attached', timeout: 30_000 });
    await drawn.evaluate((element) => element.scrollIntoView());
    await shoot(sheet === 'Full score' ? 'handout' : 'lead-sheet');
  }
  await page.goto(`${origin}/song/demo-rain/join`);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await chooseLevel(page, 6);
  await page.keyboard.press('p');
  await page.locator('jh-patterns-panel .heard').first().waitFor();
  await shoot('patterns');
  await page.keyboard.press('n');
  await page.keyboard.press('ArrowRight');
  await shoot('step-through');
  await page.keyboard.press('e');
  await page.locator('jh-effort-panel .levels').waitFor();
  await shoot('effort');
  await page.keyboard.press('p');
  await page.getByRole('button', { name: 'Make your own pattern' }).click();
  for (const cell of ['Member 1 on 1', 'Member 5 on 1 &', 'Member 8 on 2', 'Member 10 on 3'])
    await page.getByRole('button', { name: cell, exact: true }).click();
  await shoot('pattern-maker');
  await page.goto(`${origin}/song/demo-sluicegate/practise`);
  await page.getByRole('heading', { name: 'Part 1: hear it' }).waitFor();
  for (const key of ['y', 'ArrowRight', 'y', 'ArrowRight']) {
    await page.keyboard.press(key);
    await page.waitForTimeout(200);
  }
  for (const hands of ['right hand', 'both hands']) {
    await page.getByRole('heading', { name: `Part 1, ${hands}` }).waitFor();
    await page.getByRole('button', { name: 'Demo player, careless' }).click();
    await page
      .getByRole('heading', { name: /^(Not yet|A clean turn|Clean, and passed)/ })
      .waitFor({ timeout: 60_000 });
    if (hands === 'both hands') await shoot('practise');
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  }
  await page.keyboard.press('g');
  await page.locator('jh-log-panel canvas').waitFor();
  await page.waitForTimeout(600);
  await shoot('practise-log');
  await page.goto(`${origin}/song/demo-snow/fills`);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.getByRole('button', { name: /Go up to level/ }).click();
  await page.keyboard.press('f');
  await page.getByRole('button', { name: /^Take The last phrase, its tune/ }).click();
  await page.getByRole('button', { name: /^Take Plagal/ }).click();
  await page.keyboard.press('w');
  await page.keyboard.press('2');
  await page.waitForTimeout(800);
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await shoot('fills');
  await page.goto(`${origin}/song/demo-sluicegate/join`);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.keyboard.press('1');
  await page.waitForTimeout(800);
  await page.keyboard.press('v');
  await shoot('desk');
  await page.goto(`${origin}/song/demo-sluicegate/tune`);
  await page.locator('main[aria-busy=false] jh-seam .note').first().waitFor();
  await page.keyboard.press('1');
  await page.waitForTimeout(800);
  await page.locator('[data-note=n4]').click();
  await shoot('tune');
  await page.locator('jh-bench-panel label', { hasText: 'Letters' }).click();
  await page.locator('#counts').waitFor();
  await shoot('tune-letters');
  await page.goto(`${origin}/song/demo-mudflat/parts`);
  await page.locator('jh-parts-map .part').first().waitFor();
  await page.keyboard.press('5');
  await shoot('parts');
  await page.goto(`${origin}/song/demo-sluicegate/parts`);
  await page.locator('jh-parts-map .part').first().waitFor();
  await page.keyboard.press('2');
  await page.locator('jh-part-difference').waitFor();
  await page.locator('main').evaluate((view) => view.scrollTo(0, view.scrollHeight));
  await shoot('parts-relations');
  await page.goto(`${origin}/song/demo-mudflat/chords`);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.keyboard.press('1');
  await page.locator('[data-change=c3] .symbol').click();
  await page.locator('jh-chord-panel .ranked b').nth(1).waitFor();
  await page.getByText('Weighing every chord').waitFor({ state: 'hidden' });
  await shoot('chords');
  await page.goto(`${origin}/song/demo-rain/chords`);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.locator('jh-bench-panel .tabs label', { hasText: 'Voicing' }).click();
  await page.locator('jh-styles-panel .travel').first().waitFor();
  await shoot('chords-voicing');
  await page.goto(`${origin}/chords?song=demo-mudflat`);
  await page.locator('jh-shapes-tab .shapes section').first().waitFor();
  await shoot('chord-room');
});
