// Twelve tasks done as a person would, each press and click counted: npm run tasks writes docs/tasks.md. Needs a build.
import { expect, type Locator, type Page } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { arrange } from '../core/arrange';
import { writeMusicXml } from '../core/formats';
import { DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import { withBrowser } from './bench-browser';
import { Person } from './person';

interface Task {
  readonly what: string;
  readonly do: (person: Person, page: Page) => Promise<void>;
}

const button = (page: Page, name: string | RegExp): Locator => page.getByRole('button', { name }).first();
const tab = (page: Page, name: string): Locator =>
  page.locator('jh-bench-panel .tabs label', { hasText: new RegExp(`^${name}$`) });
const bench = (page: Page, name: string): Locator =>
  page.locator('jh-frame-header').getByRole('link', { name, exact: true });
const card = (page: Page, name: string): Locator => page.getByRole('link', { name }).first();
const arranged = (page: Page): Promise<void> =>
  expect(page.locator('main[aria-busy=false] jh-seam .symbol').first()).toBeVisible();
const onPaper = (page: Page): Promise<void> =>
  expect(page.locator('section[aria-label^="Page 1"]')).toBeVisible();
const option = (page: Page, name: string | RegExp): Locator =>
  page.locator('.ant-select-item-option', { hasText: name });

/** In Ctrl+K: a word, then Enter. */
async function find(person: Person, word: string): Promise<void> {
  await person.press('Control+k');
  await expect(person.page.getByRole('combobox', { name: 'What are you looking for?' })).toBeFocused();
  await person.type(word);
  await person.press('Enter');
}

async function fromCard(person: Person, title: string, action: string): Promise<void> {
  const { page } = person;
  await person.click('More', page.locator(`summary[aria-label="More: ${title}"]`).first());
  await person.click(action, page.locator('details[open] .menu').getByRole('button', { name: action }));
}

const SHEET = `Title: Net Mending
Metre: 3/4
| Am | Dm | E7 | Am |
Thread the nee-dle, pull it through`;

const [, sluicegate] = DEMO_SONGS;
const SCORE = writeMusicXml(arrange(sluicegate, DEFAULT_PROFILE));

const TASKS: readonly Task[] = [
  {
    what: 'A melody entered by keyboard alone, to a printed page',
    do: async (person, page) => {
      await person.press('Tab', 2);
      await person.press('Enter');
      await expect(page.locator('#tune-title')).toBeFocused();
      await person.type('Quay Steps');
      await person.press('Enter');
      await expect(page.getByRole('textbox', { name: 'Letters' })).toBeFocused();
      await person.type('C4 D E G E D C D E F A F E D');
      await person.press('Tab');
      await person.type('1 2 3 4 | 1 2 3 4 | 1 2 3 4 | 1 2');
      await person.press('Alt+3');
      await expect(page.locator('jh-chord-panel')).toBeVisible();
      await page.waitForTimeout(1000);
      await person.press('c');
      await arranged(page);
      await person.press('Alt+7');
      await onPaper(page);
      await page.evaluate(() => (window.print = () => void (document.title = 'printed')));
      await person.press('p');
      await expect(page).toHaveTitle('printed');
    },
  },
  {
    what: 'A pasted chord sheet, to a page to sing from',
    do: async (person, page) => {
      await person.click('Write chords', button(page, 'Write chords'));
      await person.type(SHEET, page.getByRole('textbox', { name: 'Chords and words' }));
      await person.click('Make it a song', button(page, 'Make it a song'));
      await arranged(page);
      await person.click('Handout', bench(page, 'Handout'));
      await onPaper(page);
      await person.click(
        'Add “Chords over words”',
        page.locator('li', { hasText: 'Chords over words' }).getByRole('button', { name: /Add/ }),
      );
      await expect(page.locator('.pages')).toContainText('Thread');
    },
  },
  {
    what: 'A score, to an easy version for small hands',
    do: async (person, page) => {
      await page
        .getByLabel('Song file')
        .setInputFiles({ name: 'score.musicxml', mimeType: '', buffer: Buffer.from(SCORE) });
      person.did('Open a file');
      person.did('choose it');
      const choose = page.getByRole('dialog').getByRole('button', { name: /Take/ }).first();
      await Promise.race([arranged(page), choose.waitFor()]);
      if (await choose.isVisible()) await person.click('Take the melody', choose);
      await arranged(page);
      await person.click('Level', page.locator('jh-transport nz-select'));
      await person.click('2', option(page, /^\s*2 /));
      await find(person, 'small hands');
      await person.click(
        'Left hand: Sixth',
        page.getByRole('radiogroup', { name: 'Left hand' }).locator('label', { hasText: 'Sixth' }),
      );
      await person.click('Song', page.getByRole('link', { name: 'Song' }));
      await arranged(page);
      await expect(page.locator('jh-transport .ant-select-selection-item')).toHaveText(/^2 /);
    },
  },
  {
    what: 'A better chord heard, taken and undone',
    do: async (person, page) => {
      await page.goto(new URL('/song/demo-sluicegate/chords', page.url()).href);
      await arranged(page);
      const symbol = page.locator('[data-change=c2] .symbol');
      const before = await symbol.textContent();
      await person.click('the chord', symbol);
      await expect(page.locator('jh-chord-panel .ranked jh-offer').nth(1)).toBeVisible();
      await page.waitForTimeout(300);
      await person.press('n');
      await person.press('t');
      await expect(symbol).not.toHaveText(before ?? '');
      await person.press('Control+z');
      await expect(symbol).toHaveText(before ?? '');
    },
  },
  {
    what: 'The hardest bar made easier',
    do: async (person, page) => {
      await page.goto(new URL('/song/demo-mudflat', page.url()).href);
      await arranged(page);
      await person.click('Difficulty', tab(page, 'Difficulty'));
      const easier = page.locator('jh-effort-panel').getByRole('button', { name: /^Take/ }).first();
      const told = page.locator('jh-effort-panel .levels .own').last();
      const hard = async (): Promise<number> => Number(await told.textContent());
      const before = await hard();
      await person.click('Take the first way out', easier);
      await expect.poll(hard).toBeLessThan(before);
    },
  },
  {
    what: 'A figure for the chorus only',
    do: async (person, page) => {
      await page.goto(new URL('/song/demo-sluicegate', page.url()).href);
      await arranged(page);
      await person.press('3');
      await person.click('Patterns', tab(page, 'Patterns'));
      const scope = page.locator('jh-patterns-panel label', { hasText: /This part|Each time/ });
      await person.click('This part', scope);
      await person.click(
        'Take a pattern',
        page.locator('jh-patterns-panel').getByRole('button', { name: /^Take/ }).first(),
      );
      await expect(button(page, 'Undo')).toBeEnabled();
    },
  },
  {
    what: 'One listened turn of the left hand',
    do: async (person, page) => {
      await page.goto(new URL('/song/demo-lanterns/practise', page.url()).href);
      const heading = page.locator('jh-now-panel h2');
      await expect(heading).toBeVisible();
      for (let i = 0; i < 6 && !/left hand/.test((await heading.textContent()) ?? ''); i++) {
        await person.click('Next task', button(page, 'Next task'));
        await page.waitForTimeout(150);
      }
      await expect(heading).toContainText('left hand');
      await person.click(
        'Demo player',
        page
          .locator('jh-play-on')
          .getByRole('button', { name: /Demo player|careful/ })
          .first(),
      );
      await expect(page.getByLabel('The last turn')).toBeVisible({ timeout: 60_000 });
    },
  },
  {
    what: 'An easier key',
    do: async (person, page) => {
      await page.goto(new URL('/song/demo-mudflat/tune', page.url()).href);
      await arranged(page);
      await find(person, 'transpose');
      await person.click(
        'Take the easiest key',
        page.locator('jh-keys-panel').getByRole('button', { name: /^Take/ }).first(),
      );
      await expect(button(page, 'Undo')).toBeEnabled();
    },
  },
  {
    what: 'To a friend and back',
    do: async (person, page) => {
      await page.goto(new URL('/song/demo-rain', page.url()).href);
      await arranged(page);
      await find(person, 'export');
      const coming = page.waitForEvent('download');
      await person.click(
        'Project',
        page
          .getByRole('dialog')
          .getByRole('button')
          .filter({ hasText: /Project|Export|Download/ })
          .first(),
      );
      const file = await coming;
      await person.press('Escape');
      await person.click('Shelf', page.getByRole('link', { name: 'Shelf' }));
      await page.getByLabel('Song file').setInputFiles({
        name: file.suggestedFilename(),
        mimeType: '',
        buffer: readFileSync(await file.path()),
      });
      person.did('Open a file');
      person.did('choose it');
      await arranged(page);
      expect(page.url()).not.toContain('demo-rain');
      await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue(/Rain on the Net Loft/);
    },
  },
  {
    what: 'An old song among 300 found, copied, renamed, deleted and brought back',
    do: async (person, page) => {
      await fillShelf(page, 300);
      await person.type('song 217', page.getByRole('searchbox', { name: 'Find a song' }));
      await expect(page.getByRole('article')).toHaveCount(1);
      await fromCard(person, 'Song 217', 'Duplicate');
      await expect(page.getByRole('article')).toHaveCount(2);
      await fromCard(person, 'Song 217 (copy)', 'Name, hands and notes');
      await person.type('Song 217 for Ann', page.getByRole('dialog').getByLabel('Title'));
      await person.press('Enter');
      await expect(card(page, 'Song 217 for Ann')).toBeVisible();
      await fromCard(person, 'Song 217 for Ann', 'Delete');
      await person.click('Undo', page.locator('.banner').getByRole('button', { name: 'Undo' }));
      await expect(card(page, 'Song 217 for Ann')).toBeVisible();
    },
  },
  {
    what: 'Three versions for three pupils, printed',
    do: async (person, page) => {
      for (const name of ['Ann', 'Ben', 'Cleo']) {
        await fromCard(person, 'Lanterns at Low Water', 'New version of it');
        await person.type(name, page.getByRole('dialog').getByLabel('This version is for'));
        await person.press('Enter');
        await expect(page.getByRole('article').getByRole('link', { name })).toBeVisible();
        await expect(page.getByRole('dialog')).toHaveCount(0);
      }
      for (const name of ['Ann', 'Ben', 'Cleo']) {
        await person.click(name, page.getByRole('article').getByRole('link', { name }));
        await arranged(page);
        await person.press('Alt+7');
        await onPaper(page);
        await expect(page.locator('section[aria-label^="Page 1"]')).toContainText(name);
        await page.evaluate(() => (window.print = () => void (document.title = 'printed')));
        await person.press('p');
        await expect(page).toHaveTitle('printed');
        await person.click('Shelf', page.getByRole('link', { name: 'Shelf' }));
      }
    },
  },
  {
    what: 'The tab closed in the middle',
    do: async (person, page) => {
      await page.goto(new URL('/song/demo-jig', page.url()).href);
      await arranged(page);
      await person.click('Level', page.locator('jh-transport nz-select'));
      await person.click('2', option(page, /^\s*2 /));
      const again = await page.context().newPage();
      await page.close();
      await again.goto(new URL('/', page.url()).href);
      const other = new Person(again);
      await other.click('the song', card(again, 'Boathouse Jig'));
      await arranged(again);
      await expect(again.locator('jh-transport .ant-select-selection-item')).toHaveText(/^2 /);
      person.also(other);
    },
  },
];

/** So many songs on the shelf beside the demo songs. */
async function fillShelf(page: Page, count: number): Promise<void> {
  const song = { ...DEMO_SONGS[2] };
  await page.evaluate(
    async ([song, count]) => {
      const open = indexedDB.open('joined-hands');
      const database = await new Promise<IDBDatabase>(
        (resolve) => (open.onsuccess = () => resolve(open.result)),
      );
      const transaction = database.transaction('songs', 'readwrite');
      for (let i = 1; i <= count; i++) {
        const id = `many-${i}`;
        transaction
          .objectStore('songs')
          .put({ id, revision: 1, song: { ...(song as object), id, title: `Song ${i}` } });
      }
      await new Promise((resolve) => (transaction.oncomplete = resolve));
      database.close();
    },
    [song, count] as const,
  );
  await page.reload();
  await expect(page.getByRole('searchbox', { name: 'Find a song' })).toBeVisible({ timeout: 60_000 });
}

const asked = process.argv.slice(2).map(Number);
const rows: string[] = [];
await withBrowser(async (browser, origin) => {
  for (const [i, task] of TASKS.entries()) {
    if (asked.length > 0 && !asked.includes(i + 1)) continue;
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      reducedMotion: 'reduce',
    });
    const page = await context.newPage();
    page.setDefaultTimeout(20_000);
    await page.goto(origin);
    await page.getByRole('article').first().waitFor();
    const person = new Person(page);
    try {
      await task.do(person, page);
      const { count, steps } = person.told();
      rows.push(`| ${i + 1} | ${task.what} | ${count} | ${steps} |`);
      console.log(`${i + 1}. ${task.what}: ${count} (${steps})`);
    } catch (error) {
      process.exitCode = 1;
      console.log(
        `${i + 1}. ${task.what}: not done after ${person.told().steps}: ${(error as Error).message.slice(0, 600)}`,
      );
    }
    await context.close();
  }
});
if (asked.length === 0 && !process.exitCode)
  writeFileSync('docs/tasks.md', `${intro()}\n${rows.join('\n')}\n`);

function intro(): string {
  return `# Twelve tasks

What people come for, done as a person would who knows where things are, at 1280x800. \`npm run tasks\` does each in the built
program, counts every press, click and filled-in field, and writes this page; a task that cannot be done fails.

|   | task | actions | in order |
| - | ---- | ------- | -------- |`;
}
