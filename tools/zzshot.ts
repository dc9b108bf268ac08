import { withBrowser } from './bench-browser';
const [,, path, w, h, out, ...acts] = process.argv;
await withBrowser(async (browser, origin) => {
  const page = await (await browser.newContext({ viewport: { width: +w, height: +h } })).newPage();
  page.on('console', m => { if (m.type() === 'error') console.log('console:', m.text()); });
  page.on('pageerror', e => console.log('pageerror:', e.message));
  await page.goto(origin); await page.locator('article').first().waitFor();
  await page.goto(origin + path); await page.waitForTimeout(1800);
  for (const a of acts) { if (a.startsWith('click:')) await page.locator(a.slice(6)).first().click(); else if (a.startsWith('key:')) await page.keyboard.press(a.slice(4)); else if (a.startsWith('text:')) await page.getByText(a.slice(5)).first().click(); await page.waitForTimeout(700); }
  await page.screenshot({ path: out });
});
