import { withBrowser } from './bench-browser';
await withBrowser(async (browser, origin) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })).newPage();
  page.on('console', (m) => { if (m.type() === 'error') console.log('console', m.text().slice(0, 300)); });
  page.on('pageerror', (e) => console.log('error', e.message.slice(0, 300)));
  await page.goto(`${origin}/song/demo-rain/join`);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.locator('.rungs label', { hasText: '6' }).click();
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  for (const [key, name] of [['p','patterns'],['n','steps'],['f','fingers'],['e','effort']] as const) {
    await page.keyboard.press(key);
    await page.waitForTimeout(name === 'effort' ? 4000 : 900);
    await page.screenshot({ path: `/tmp/shots/${name}.png` });
  }
});
