import { expect, type Page, test } from '@playwright/test';
import { pathsIn, withValue, WRONG } from '../core/testing';
import { arranged, openBench, openShelf, openSong, title as task, watch, chooseLevel, level } from './pages';

type Row = Readonly<Record<string, unknown>>;

/** Writes records into a table of the browser's store, past the program. */
async function putRaw(page: Page, table: string, records: readonly Row[]): Promise<void> {
  await page.evaluate(
    ([name, rows]) =>
      new Promise<void>((resolve, reject) => {
        const asked = indexedDB.open('joined-hands');
        asked.onsuccess = () => {
          const write = asked.result.transaction(name, 'readwrite');
          for (const row of rows) write.objectStore(name).put(row);
          write.oncomplete = () => {
            asked.result.close();
            resolve();
          };
          write.onerror = () => reject(new Error('not written'));
        };
      }),
    [table, records] as const,
  );
}

/** The first record of a table that belongs to a song. */
function aRecord(page: Page, table: string, key: string): Promise<Row> {
  return page.evaluate(
    ([name, wanted]) =>
      new Promise<Row>((resolve, reject) => {
        const asked = indexedDB.open('joined-hands');
        asked.onsuccess = () => {
          const read = asked.result.transaction(name).objectStore(name).getAll();
          read.onsuccess = () => {
            asked.result.close();
            const found = (read.result as Row[]).find((row) => Object.values(row).includes(wanted));
            if (found) resolve(found);
            else reject(new Error(`nothing in ${name}`));
          };
        };
      }),
    [table, key] as const,
  );
}

/** About so many of the cases, others each time. */
function drawn<T>(cases: readonly T[], count: number): T[] {
  const step = Math.max(1, Math.floor(cases.length / count));
  const first = Math.floor(Math.random() * step);
  return cases.filter((_, i) => i % step === first);
}

test('one bad record is a card that says so; its raw data is taken away, the others and deep links work', async ({
  page,
}) => {
  await openShelf(page);
  const order = [{ fromBar: 9, toBar: 2 }];
  await putRaw(page, 'songs', [
    { id: 'bad', revision: 1, song: { schemaVersion: 6, title: 'Sunk', playingOrder: order } },
    { id: 'newer', revision: 1, song: { schemaVersion: 99, title: 'From tomorrow' } },
  ]);
  await openShelf(page);
  const bad = page.getByRole('article').filter({ hasText: 'Sunk' });
  await expect(bad).toContainText('This song cannot be read.');
  await expect(page.getByRole('article').filter({ hasText: 'From tomorrow' })).toContainText('newer version');
  const waiting = page.waitForEvent('download');
  await bad.getByRole('button', { name: 'Download the raw data' }).click();
  expect((await waiting).suggestedFilename()).toBe('sunk.raw.json');
  await page.goto('/song/bad');
  await expect(page.getByRole('heading', { name: 'This song cannot be read' })).toBeVisible();
  await page.goto('/song/demo-lanterns');
  await arranged(page);
  await openShelf(page);
  await bad.locator('summary').click();
  await bad.getByRole('button', { name: /^Delete/ }).click();
  await expect(bad).toHaveCount(0);
  await expect(page.getByRole('article')).toHaveCount(7);
});

test('every view works beside damaged records of every table', async ({ page }) => {
  test.slow();
  const watched = watch(page);
  const [id, title] = ['demo-lanterns', 'Lanterns at Low Water'];
  await openBench(page, title, 'practise');
  await expect(task(page, 'Part 1: hear it')).toBeVisible();
  await page.keyboard.press('y');
  const tables = ['songs', 'cards', 'turns', 'standings'];
  const good = new Map<string, Row>();
  await expect.poll(() => aRecord(page, 'turns', id).catch(() => null)).not.toBeNull();
  for (const table of tables) good.set(table, await aRecord(page, table, id));
  const key = { songs: 'id', cards: 'id', standings: 'key' } as Readonly<Record<string, string | undefined>>;
  let count = 0;
  for (const [table, { id: _, ...row }] of good) {
    const named = (n: number): Row => (key[table] ? { [key[table]]: `bad-${table}-${n}` } : {});
    const damaged = drawn(
      pathsIn(row).flatMap((path) => WRONG.map((wrong) => withValue(row, path, wrong) as Row)),
      24,
    ).map((bad, n) => ({ ...bad, ...named(n) }));
    count += damaged.length;
    await putRaw(page, table, damaged);
    // A card tells of a song, which is there.
    if (table === 'cards')
      await putRaw(
        page,
        'songs',
        damaged.map((_card, n) => ({ ...good.get('songs'), ...named(n) })),
      );
  }
  expect(count).toBeGreaterThan(60);
  for (const wrong of drawn(WRONG, 4))
    await putRaw(
      page,
      'settings',
      ['profile', 'practise', `handout ${id}`].map((name) => ({ key: name, value: wrong ?? null })),
    );

  await openShelf(page);
  await expect(page.getByRole('link', { name: title }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Bin and storage' }).click();
  await expect(page.getByRole('dialog')).toContainText(title);
  for (const bench of ['tune', 'parts', 'chords', '', 'fills']) {
    await openBench(page, title, bench);
    await expect(page.locator('jh-bench-panel')).toBeVisible();
  }
  await openBench(page, title, 'handout');
  await expect(page.locator('section[aria-label^="Page 1"]')).toBeVisible();
  await openBench(page, title, 'practise');
  await expect(page.locator('jh-now-panel').getByRole('heading').first()).toBeVisible();
  await page.keyboard.press('g');
  await expect(page.locator('jh-log-panel')).toContainText('Part 1: hear it');
  await page.goto('/settings');
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
  expect(watched.errors).toEqual([]);
});

test('an edit survives a reload at once, and a tab closed at once', async ({ context, page }) => {
  await openSong(page, 'Lanterns at Low Water');
  for (const step of ['5', '2', '1']) {
    await chooseLevel(page, step);
    await page.reload();
    await arranged(page);
    await expect(level(page)).toHaveText(new RegExp(`^${step} `));
  }
  await chooseLevel(page, 4);
  await page.close();
  const again = await context.newPage();
  await again.goto('/song/demo-lanterns');
  await arranged(again);
  await expect(level(again)).toHaveText(/^4 /);
});

test('taking over lets the other tab store what it has first; nothing is lost either way', async ({
  context,
  page,
}) => {
  await openSong(page, 'Lanterns at Low Water');
  const other = await context.newPage();
  await other.goto('/song/demo-lanterns');
  await arranged(other);
  let [holder, looker] = [page, other];
  for (const step of ['5', '2', '1']) {
    await chooseLevel(holder, step);
    await looker.getByRole('button', { name: 'Edit here' }).click();
    await expect(level(looker)).toHaveText(new RegExp(`^${step} `));
    await expect(looker.getByRole('button', { name: 'Edit here' })).toHaveCount(0);
    await expect(holder.getByText('This song is open in another tab')).toBeVisible();
    [holder, looker] = [looker, holder];
  }
});

test('a full store is said until there is room again, and leaving asks', async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: Parameters<typeof put>) {
      if ((window as unknown as { isFull?: boolean }).isFull && this.name === 'songs')
        throw new DOMException('The disk is full', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  await openSong(page, 'Lanterns at Low Water');
  await page.evaluate(() => Object.assign(window, { isFull: true }));
  await chooseLevel(page, 5);
  const alert = page.getByRole('alert').filter({ hasText: 'Your last changes are not stored' });
  await expect(alert).toContainText('no room left');
  await page.getByRole('link', { name: /Shelf/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Leave the song all the same?' });
  for (const offered of [dialog, alert]) {
    const coming = page.waitForEvent('download');
    await offered.getByRole('button', { name: 'Download a copy' }).click();
    expect((await coming).suggestedFilename()).toBe('lanterns-at-low-water.joined.json');
    if (offered === dialog) await dialog.getByRole('button', { name: 'Stay' }).click();
  }
  await page.evaluate(() => Object.assign(window, { isFull: false }));
  await expect(alert).toBeHidden();
  await page.reload();
  await arranged(page);
  await expect(level(page)).toHaveText(/^5 /);
});

test('a store that is blocked is said on the shelf, in a song, and where a tune is begun', async ({
  page,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('The user denied permission', 'SecurityError');
    };
  });
  await page.goto('/');
  const said = (text: string) => page.getByRole('alert').filter({ hasText: text });
  await expect(said('cannot be read')).toBeVisible();
  await page.goto('/song/demo-lanterns');
  await expect(said('The song could not be opened')).toBeVisible();
});
