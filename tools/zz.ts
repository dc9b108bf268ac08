import { withBrowser } from './bench-browser';
const shots = process.argv.slice(2);
void withBrowser(async (browser, origin) => {
  for (const shot of shots) {
    const [name, address, size, ...clicks] = shot.split('|');
    const [width, height] = (size || '1280x800').split('x').map(Number);
    const context = await browser.newContext({ viewport: { width, height } });
    const page = await context.newPage();
    page.on('pageerror', (e) => console.log(name, 'ERROR', e.message));
    page.on('console', (m) => m.type() === 'error' && console.log(name, m.text()));
    await page.goto(origin);
    await page.locator('article').first().waitFor();
    await page.goto(origin + address);
    await page.waitForTimeout(3500);
    for (const c of clicks) {
      if (c.startsWith('key:')) await page.keyboard.press(c.slice(4));
      else if (c.startsWith('type:')) await page.keyboard.type(c.slice(5));
      else
        await page
          .locator(c)
          .first()
          .click({ timeout: 5000 })
          .catch((e) => console.log(name, c, e.message.split('\n')[0]));
      await page.waitForTimeout(700);
    }
    await page.screenshot({ path: `/tmp/z-${name}.png` });
    await context.close();
  }
});
