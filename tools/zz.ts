import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import type { AddressInfo } from 'node:net';
import { createApp } from '../server/app';
import { ARGUMENTS } from './bench-browser';
import { DEMO_SONGS } from '../demo/songs';
const cpu = (): number => { const s = readFileSync('/proc/stat', 'utf8').split('\n')[0].split(/\s+/).map(Number); return (s[1] + s[2] + s[3] + s[6] + s[7]) / 100; };
const server = createApp(new URL('../dist/app', import.meta.url).pathname).listen(0, '127.0.0.1');
await new Promise((r) => server.once('listening', r));
const origin = `http://localhost:${(server.address() as AddressInfo).port}`;
const seam = 'main[aria-busy=false] jh-seam .symbol';
const opts = { viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' as const };
const variants: Record<string, string[]> = { plain: [], nomaglev: ['--js-flags=--no-maglev'], noopt: ['--js-flags=--no-maglev --no-opt'], semi: ['--js-flags=--min-semi-space-size=32'], lessproc: ['--renderer-process-limit=1'], nocomp: ['--disable-threaded-compositing'], singleraster: ['--num-raster-threads=1'], nolcd: ['--disable-lcd-text', '--disable-font-subpixel-positioning'], sgl: ['--js-flags=--single-threaded'], plain2: [] };
for (const [name, extra] of Object.entries(variants)) {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: [...ARGUMENTS, ...extra] });
  const context = await browser.newContext(opts);
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  let x = 0, t = 0; const n = 10;
  for (let i = -2; i < n; i++) {
    if (i === 0) { x = cpu(); t = performance.now(); }
    await page.goto(origin + '/favicon.ico'); await cdp.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb,local_storage' });
    await page.goto(`${origin}/song/${DEMO_SONGS[(i + 2) % 2].id}`); await page.locator(seam).first().waitFor();
  }
  console.log(name, ((cpu() - x) / n).toFixed(2), ((performance.now() - t) / n).toFixed(0));
  await browser.close();
}
server.close();
