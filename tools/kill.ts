// Are edits lost when the browser is killed or the page goes: npm run kill [-- --times 50]. Needs a build.
import { chromium, type Page } from '@playwright/test';
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createApp } from '../server/app';
import { ARGUMENTS } from './bench-browser';
import { chromium as debianChromium } from './setup.mjs';

const { values } = parseArgs({ options: { times: { type: 'string', default: '50' } } });
const times = Number(values.times);
const folder = mkdtempSync(join(tmpdir(), 'jh-kill-'));
const server = createApp(fileURLToPath(new URL('../dist/app', import.meta.url))).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const song = `http://localhost:${(server.address() as AddressInfo).port}/song/demo-lanterns`;

interface Running {
  readonly page: Page;
  /** As the system does when memory is short, or a hand on the switch. */
  kill(): Promise<void>;
}

/** The browser with a profile that outlives it, on the song, arranged. */
async function running(): Promise<Running> {
  const browser: ChildProcess = spawn(
    debianChromium('whole') ?? 'chromium',
    ['--headless=new', '--remote-debugging-port=0', `--user-data-dir=${folder}`, ...ARGUMENTS, 'about:blank'],
    { detached: true },
  );
  const address = await new Promise<string>((resolve, reject) => {
    browser.stderr?.on('data', (text: Buffer) => {
      const found = /ws:\/\/\S+/.exec(text.toString());
      if (found) resolve(found[0]);
    });
    browser.once('exit', () => reject(new Error('The browser ended before it began.')));
  });
  const connected = await chromium.connectOverCDP(address);
  const page = connected.contexts()[0].pages()[0] ?? (await connected.contexts()[0].newPage());
  await page.goto(song);
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  return {
    page,
    kill: () =>
      new Promise((resolve) => {
        browser.once('exit', () => resolve());
        process.kill(-(browser.pid as number), 'SIGKILL');
      }),
  };
}

const chosen = (page: Page): Promise<string> =>
  page.locator('.rungs .ant-radio-button-wrapper-checked').innerText();
const choose = (page: Page, rung: string): Promise<void> =>
  page.locator('.rungs label', { hasText: rung }).click();
const RUNGS = ['5', '4', '2', '1'];

let lost = 0;
let { page, kill } = await running();
for (let i = 0; i < times; i++) {
  const rung = RUNGS[i % RUNGS.length];
  await choose(page, rung);
  await page.waitForTimeout(600);
  await kill();
  ({ page, kill } = await running());
  if ((await chosen(page)) !== rung) lost++;
}
console.log(`killed 0.6 s after an edit, ${times} times: ${lost} lost`);

lost = 0;
for (let i = 0; i < times; i++) {
  const rung = RUNGS[i % RUNGS.length];
  await choose(page, rung);
  if (i % 2) await page.reload();
  else {
    const next = await page.context().newPage();
    await page.close();
    page = next;
    await page.goto(song);
  }
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  if ((await chosen(page)) !== rung) lost++;
}
console.log(`reloaded or closed at once after an edit, ${times} times: ${lost} lost`);

// Two tabs take the song from each other, each with edits made at once before: whoever has it shows the last.
lost = 0;
let [holder, looker] = [page, await page.context().newPage()];
await looker.goto(song);
await looker.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
for (let i = 0; i < times; i++) {
  const rung = RUNGS[(i + 1) % RUNGS.length];
  for (const step of [RUNGS[i % RUNGS.length], RUNGS[(i + 2) % RUNGS.length], rung])
    await choose(holder, step);
  await looker.getByRole('button', { name: 'Take over here' }).click();
  await looker.getByRole('button', { name: 'Take over here' }).waitFor({ state: 'detached' });
  await looker.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  if ((await chosen(looker)) !== rung) lost++;
  [holder, looker] = [looker, holder];
}
await looker.close();
page = holder;
console.log(`taken over from one another, ${times} times: ${lost} lost`);

// 120 titles in ten seconds, each with the moment it was made.
const title = page.getByRole('textbox', { name: 'Title' });
const begun = Date.now();
for (let i = 0; i < 120; i++) {
  await title.evaluate((input: HTMLInputElement, value) => {
    input.value = value;
    input.dispatchEvent(new Event('change'));
  }, `Edit ${i} ${Date.now()}`);
  await page.waitForTimeout(Math.max(0, begun + ((i + 1) * 10_000) / 120 - Date.now()));
}
const killed = Date.now();
await kill();
({ page, kill } = await running());
const kept = await page.getByRole('textbox', { name: 'Title' }).inputValue();
console.log(
  `120 edits in 10 s, then killed: “${kept}” was kept, made ${killed - Number(kept.split(' ').at(-1))} ms before`,
);
await kill();
server.close();
rmSync(folder, { recursive: true, force: true });
