import { withBrowser } from './bench-browser';
import { writeProject } from '../core/formats';
import { COMMON_TIME } from '../core/music';
import { DEFAULT_PROFILE } from '../core/song';
import { randomSong } from '../core/testing';
await withBrowser(async (browser, origin) => {
  const page = await (await browser.newContext()).newPage();
  await page.goto(origin);
  await page.locator('article').first().waitFor();
  const song = randomSong({ bars: 4000, changesPerBar: 1, seed: 11, metre: COMMON_TIME });
  const text = writeProject({ song, profile: DEFAULT_PROFILE });
  console.log('MB', text.length / 1e6, 'notes', song.melody.length);
  await page
    .getByLabel('Song file')
    .setInputFiles({ name: 'l.joined.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await page.locator('input.title:not([readonly])').waitFor();
  await page.waitForTimeout(60000);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Profiler.enable');
  await cdp.send('Profiler.setSamplingInterval', { interval: 500 });
  await cdp.send('Profiler.start');
  await page.locator('input.title').fill('T1');
  await page.locator('input.title').press('Tab');
  await page.waitForTimeout(1500);
  const { profile } = await cdp.send('Profiler.stop');
  (await import('node:fs')).writeFileSync('/tmp/edit.cpuprofile', JSON.stringify(profile));
});
