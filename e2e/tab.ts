import { type BrowserContext, type Page, test as base } from '@playwright/test';

/** Served by the application's own server and no view of it: here its store can be emptied. */
const ELSEWHERE = '/mark.svg';
const HEARD = ['pageerror', 'console', 'request', 'dialog'] as const;

/** The tab of a worker. */
interface Tab {
  context?: BrowserContext;
  page?: Page;
}

/**
 * Journeys that go on in the tab of the one before, with an empty store: what the browser has read and made ready of the
 * application once, it need not again for each. Journeys that change the browser itself (its network, its scripts, its
 * devices, tabs that are closed: what cannot be taken back) have a browser context of their own: they take `test` from @playwright/test.
 */
export const test = base.extend<{ page: Page }, { tab: Tab }>({
  tab: [
    async ({}, use) => {
      const tab: Tab = {};
      await use(tab);
      await tab.context?.close();
    },
    { scope: 'worker' },
  ],
  page: async ({ browser, tab, viewport }, use) => {
    tab.context ??= await browser.newContext({ reducedMotion: 'reduce' });
    tab.page ??= await tab.context.newPage();
    const { page } = tab;
    await emptied(page);
    await page.setViewportSize(viewport ?? { width: 1280, height: 800 });
    await use(page);
    for (const other of tab.context.pages()) if (other !== page) await other.close();
    for (const event of HEARD) page.removeAllListeners(event);
    await page.unrouteAll();
  },
});

/** Leaves the application, whatever it asks, and empties its store. */
async function emptied(page: Page): Promise<void> {
  const leave = (dialog: { accept(): Promise<void> }): Promise<void> => dialog.accept();
  page.on('dialog', leave);
  await page.goto(ELSEWHERE);
  page.off('dialog', leave);
  await page.evaluate(() => sessionStorage.clear());
  const browser = await page.context().newCDPSession(page);
  await browser.send('Storage.clearDataForOrigin', {
    origin: new URL(page.url()).origin,
    storageTypes: 'all',
  });
  await browser.detach();
}
