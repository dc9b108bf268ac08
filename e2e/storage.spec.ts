import { expect, type Page, test } from '@playwright/test';
import { arranged, openShelf, openSong } from './pages';

/** Writes a record into the store of the browser, past the program. */
async function putRaw(page: Page, record: object): Promise<void> {
  await page.evaluate(
    (stored) =>
      new Promise<void>((resolve, reject) => {
        const asked = indexedDB.open('joined-hands');
        asked.onsuccess = () => {
          const write = asked.result.transaction('songs', 'readwrite');
          write.objectStore('songs').put(stored);
          write.oncomplete = () => {
            asked.result.close();
            resolve();
          };
          write.onerror = () => reject(new Error('not written'));
        };
      }),
    record,
  );
}

const rung = (page: Page) => page.locator('.rungs .ant-radio-button-wrapper-checked');

test('one bad record is a card that says so; its raw data is taken away, the others and deep links work', async ({
  page,
}) => {
  await openShelf(page);
  const order = [{ fromBar: 9, toBar: 2 }];
  await putRaw(page, {
    id: 'bad',
    revision: 1,
    song: { schemaVersion: 6, title: 'Sunk', playingOrder: order },
  });
  await putRaw(page, { id: 'newer', revision: 1, song: { schemaVersion: 99, title: 'From tomorrow' } });
  await openShelf(page);
  const bad = page.getByRole('article').filter({ hasText: 'Sunk' });
  await expect(bad).toContainText('This song cannot be read.');
  await expect(page.getByRole('article').filter({ hasText: 'From tomorrow' })).toContainText('newer version');
  const waiting = page.waitForEvent('download');
  await bad.getByRole('button', { name: 'Take away a copy of the raw data' }).click();
  expect((await waiting).suggestedFilename()).toBe('sunk.raw.json');
  await page.goto('/song/bad');
  await expect(page.getByRole('heading', { name: 'This song cannot be read' })).toBeVisible();
  await page.goto('/song/demo-lanterns');
  await arranged(page);
  await openShelf(page);
  await bad.getByRole('button', { name: /^Delete/ }).click();
  await expect(bad).toHaveCount(0);
  await expect(page.getByRole('article')).toHaveCount(7);
});

test('an edit survives a reload at once, and a tab closed at once', async ({ context, page }) => {
  await openSong(page, 'Lanterns at Low Water');
  for (const step of ['5', '2', '1']) {
    await page.locator('.rungs label', { hasText: step }).click();
    await page.reload();
    await arranged(page);
    await expect(rung(page)).toHaveText(step);
  }
  await page.locator('.rungs label', { hasText: '4' }).click();
  await page.close();
  const again = await context.newPage();
  await again.goto('/song/demo-lanterns');
  await arranged(again);
  await expect(rung(again)).toHaveText('4');
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
    await holder.locator('.rungs label', { hasText: step }).click();
    await looker.getByRole('button', { name: 'Take over here' }).click();
    await expect(rung(looker)).toHaveText(step);
    await expect(looker.getByRole('button', { name: 'Take over here' })).toHaveCount(0);
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
  await page.locator('.rungs label', { hasText: '5' }).click();
  const alert = page.getByRole('alert').filter({ hasText: 'Your last changes are not stored' });
  await expect(alert).toContainText('no room left');
  await page.getByRole('link', { name: /Shelf/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Leave the song all the same?' });
  for (const offered of [dialog, alert]) {
    const coming = page.waitForEvent('download');
    await offered.getByRole('button', { name: 'Take away a copy' }).click();
    expect((await coming).suggestedFilename()).toBe('lanterns-at-low-water.joined.json');
    if (offered === dialog) await dialog.getByRole('button', { name: 'Stay' }).click();
  }
  await page.evaluate(() => Object.assign(window, { isFull: false }));
  await expect(alert).toBeHidden();
  await page.reload();
  await arranged(page);
  await expect(rung(page)).toHaveText('5');
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
