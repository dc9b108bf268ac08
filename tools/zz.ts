import { withBrowser } from './bench-browser';
await withBrowser(async (browser, origin) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })).newPage();
  for (const [name, path] of [['join', 'song/demo-lanterns'], ['practise', 'song/demo-mudflat/practise'], ['fills', 'song/demo-snow/fills'], ['handout', 'song/demo-sluicegate/handout'], ['tune', 'song/demo-rain/tune']]) {
    await page.goto(`${origin}/${path}`);
    await page.locator('main[aria-busy=false]').waitFor();
    await page.waitForTimeout(1500);
    await page.screenshot({ path: `/tmp/s-${name}.png` });
  }
});
