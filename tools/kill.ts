// Are edits lost when the browser is killed or the page goes: npm run kill [-- --times 60]. Needs a build.
import { chromium, type Page } from '@playwright/test';
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { writeProject } from '../core/formats';
import { COMMON_TIME } from '../core/music';
import { DEFAULT_PROFILE } from '../core/song';
import { randomSong } from '../core/testing';
import { createApp } from '../server/app';
import { ARGUMENTS } from './bench-browser';
import { chromium as debianChromium } from './setup.mjs';
import { chooseLevel, fromCard, level } from '../e2e/pages';

const { values } = parseArgs({ options: { times: { type: 'string', default: '60' } } });
const times = Number(values.times);
/** From an edit to the kill, in milliseconds. */
const KILLED_AFTER_MS = 500;
/** Bars of the largest song that is accepted. */
const MOST_BARS = 4000;
/** Each so many times it is the largest song. */
const LARGEST_EVERY = 10;

const folder = mkdtempSync(join(tmpdir(), 'jh-kill-'));
const server = createApp(fileURLToPath(new URL('../dist/app', import.meta.url))).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const origin = `http://localhost:${(server.address() as AddressInfo).port}`;

/** A song, what is edited in it, and what shows that the edit is kept. */
interface Edited {
  address: string;
  open(page: Page): Promise<void>;
  edit(page: Page, turn: number): Promise<string>;
  shown(page: Page): Promise<string>;
}

const titleOf = (page: Page) => page.getByRole('textbox', { name: 'Title' });
const LEVELS = ['5', '4', '2', '1'];
const choose = (page: Page, level: string): Promise<void> => chooseLevel(page, level);

/** A song as they are: its level is changed. */
const small: Edited = {
  address: `${origin}/song/demo-lanterns`,
  open: (page) => page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor(),
  edit: async (page, turn) => {
    const level = LEVELS[turn % LEVELS.length];
    await choose(page, level);
    return level;
  },
  shown: (page) =>
    level(page)
      .innerText()
      .then((name) => name[0]),
};
/** The largest song that is accepted, too long for the journal as a whole: its title is changed. */
const largest: Edited = {
  address: '',
  open: (page) => page.locator('input.title:not([readonly])').waitFor(),
  edit: async (page, turn) => {
    await titleOf(page).fill(`Title ${turn}`);
    await titleOf(page).press('Tab');
    return `Title ${turn}`;
  },
  shown: (page) => titleOf(page).inputValue(),
};
const editedAt = (turn: number): Edited => (turn % LARGEST_EVERY === LARGEST_EVERY - 1 ? largest : small);

interface Running {
  readonly page: Page;
  /** As the system does when memory is short, or a hand on the switch. */
  kill(): Promise<void>;
}

/** The browser with a profile that outlives it. */
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
  return {
    page,
    kill: () =>
      new Promise((resolve) => {
        browser.once('exit', () => resolve());
        process.kill(-(browser.pid as number), 'SIGKILL');
      }),
  };
}

async function opened(page: Page, song: Edited): Promise<Page> {
  await page.goto(song.address);
  await song.open(page);
  return page;
}

/** Each turn an edit, then what may lose it; what is shown after it is counted as lost where it is not the edit. */
async function lostIn(
  count: number,
  turn: (turn: number) => Promise<readonly [made: string, shown: string]>,
): Promise<string> {
  const lost: string[] = [];
  for (let i = 0; i < count; i++) {
    const [made, shown] = await turn(i);
    if (shown !== made) lost.push(`\n  turn ${i + 1}: “${made}” was made, “${shown}” is there`);
  }
  return `${count} times: ${lost.length} lost${lost.join('')}`;
}

let { page, kill } = await running();
await page.goto(origin);
await page.locator('article').first().waitFor();
const song = randomSong({ bars: MOST_BARS, changesPerBar: 1, seed: 11, metre: COMMON_TIME });
await page.getByLabel('Song file').setInputFiles({
  name: 'largest.joined.json',
  mimeType: 'application/json',
  buffer: Buffer.from(writeProject({ song, profile: DEFAULT_PROFILE })),
});
await titleOf(page).waitFor();
largest.address = page.url().replace(/\?.*/, '');

const kills = await lostIn(times, async (turn) => {
  const edited = editedAt(turn);
  await opened(page, edited);
  const made = await edited.edit(page, turn);
  await page.waitForTimeout(KILLED_AFTER_MS);
  await kill();
  ({ page, kill } = await running());
  return [made, await edited.shown(await opened(page, edited))];
});
console.log(`killed ${KILLED_AFTER_MS / 1000} s after an edit, ${kills}`);

const reloads = await lostIn(times, async (turn) => {
  const edited = editedAt(turn);
  await opened(page, edited);
  const made = await edited.edit(page, turn);
  await page.reload();
  await edited.open(page);
  return [made, await edited.shown(page)];
});
console.log(`reloaded at once after an edit, ${reloads}`);

const third = Math.ceil(times / 3);
const closes = await lostIn(third, async (turn) => {
  const edited = editedAt(turn);
  await opened(page, edited);
  const made = await edited.edit(page, turn);
  const next = await page.context().newPage();
  await page.close();
  page = next;
  return [made, await edited.shown(await opened(page, edited))];
});
console.log(`the tab closed at once after an edit, ${closes}`);

// Another tab deletes the song and puts it back, before an edit, around it, after it: the edit stays.
await opened(page, small);
const shelf = await page.context().newPage();
await shelf.goto(origin);
const deletes = (): Promise<void> => fromCard(shelf, 'Lanterns at Low Water', /^Delete/);
const putsBack = (): Promise<void> => shelf.getByRole('button', { name: 'Undo', exact: true }).click();
const edits = (turn: number): Promise<string> => small.edit(page, turn);
const ORDERS = [
  async (turn: number) => {
    await deletes();
    const made = await edits(turn);
    await putsBack();
    return made;
  },
  async (turn: number) => {
    await deletes();
    const [made] = await Promise.all([edits(turn), putsBack()]);
    return made;
  },
  async (turn: number) => {
    const [made] = await Promise.all([edits(turn), deletes()]);
    await putsBack();
    return made;
  },
];
const putBacks = await lostIn(third, async (turn) => {
  await shelf.reload();
  const made = await ORDERS[turn % ORDERS.length](turn);
  await shelf.reload();
  await shelf.getByRole('link', { name: 'Lanterns' }).waitFor();
  await page.reload();
  await small.open(page);
  return [made, await small.shown(page)];
});
await shelf.close();
console.log(`put back in another tab against an edit, ${putBacks}`);

// Two tabs take the song from each other, each with edits made at once before: whoever has it shows the last.
let [holder, looker] = [page, await opened(await page.context().newPage(), small)];
const takes = await lostIn(third, async (turn) => {
  await choose(holder, LEVELS[turn % LEVELS.length]);
  await choose(holder, LEVELS[(turn + 2) % LEVELS.length]);
  const made = await small.edit(holder, turn + 1);
  await looker.getByRole('button', { name: 'Edit here' }).click();
  await looker.getByRole('button', { name: 'Edit here' }).waitFor({ state: 'detached' });
  await small.open(looker);
  const shown = await small.shown(looker);
  [holder, looker] = [looker, holder];
  return [made, shown];
});
await looker.close();
page = holder;
console.log(`taken over from one another, ${takes}`);

// 120 titles in ten seconds, each with the moment it was made.
const begun = Date.now();
for (let i = 0; i < 120; i++) {
  await titleOf(page).evaluate((input: HTMLInputElement, value) => {
    input.value = value;
    input.dispatchEvent(new Event('change'));
  }, `Edit ${i} ${Date.now()}`);
  await page.waitForTimeout(Math.max(0, begun + ((i + 1) * 10_000) / 120 - Date.now()));
}
const killed = Date.now();
await kill();
({ page, kill } = await running());
const kept = await titleOf(await opened(page, small)).inputValue();
console.log(
  `120 edits in 10 s, then killed: “${kept}” was kept, made ${killed - Number(kept.split(' ').at(-1))} ms before`,
);
await kill();
server.close();
rmSync(folder, { recursive: true, force: true });
