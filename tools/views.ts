// Every view and panel at three widths: what axe finds, labels that are cut, controls in sight: npm run views. Needs a build.
import type { Page } from '@playwright/test';
import { graveFindings } from '../e2e/axe';
import { withBrowser } from './bench-browser';

const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 390, height: 844 },
];
const BENCHES = ['tune', 'chords', 'parts', 'join', 'fills', 'practise', 'handout'];

const results: { view: string; width: number; controls: number; wrong: string[] }[] = [];

await withBrowser(async (browser, origin) => {
  for (const viewport of SIZES) {
    const context = await browser.newContext({ viewport, reducedMotion: 'reduce' });
    const page = await context.newPage();
    // The names that tsx gives to functions.
    await page.addInitScript('globalThis.__name = (of) => of');
    page.on('pageerror', (error) => console.log(`${page.url()}: ${error.message}`));
    const look = async (view: string): Promise<void> => {
      await page.waitForTimeout(250);
      const wrong = [...(await graveFindings(page)), ...(await page.evaluate(cutLabels))];
      const controls = await page.evaluate(controlsInSight);
      results.push({ view, width: viewport.width, controls, wrong });
    };
    await page.goto(origin);
    await page.locator('article').first().waitFor();
    await look('shelf');
    for (const name of ['Type a tune', 'Write chords', 'Bin and storage']) {
      await page.getByRole('button', { name }).click();
      await page.getByRole('dialog').waitFor();
      await look(`shelf: ${name}`);
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
    }
    for (const bench of BENCHES) {
      await page.goto(`${origin}/song/demo-mudflat/${bench}`);
      await page.locator('main[aria-busy=false]').waitFor();
      await page.locator('aside.reasons > :not(router-outlet)').first().waitFor({ state: 'attached' });
      await look(bench);
      await panels(page, async (name) => look(`${bench}: ${name}`));
    }
    await page.goto(`${origin}/chords?song=demo-mudflat`);
    await page.locator('jh-shapes-tab .shapes section').first().waitFor();
    const tabs = page.locator('main jh-choice').first().locator('label.ant-radio-button-wrapper');
    for (let i = 0; i < (await tabs.count()); i++) {
      await tabs.nth(i).click();
      await look(`chord room: ${await tabs.nth(i).innerText()}`);
    }
    await page.goto(`${origin}/profile`);
    await page.getByRole('heading', { name: 'Profile' }).waitFor();
    await look('profile');
    await context.close();
  }
});

/** Opens each panel of the bench in turn. */
async function panels(page: Page, look: (name: string) => Promise<void>): Promise<void> {
  const narrow = page.locator('jh-frame-header button.narrow-only').nth(1);
  const isNarrow = await narrow.isVisible();
  const labels = page.locator('jh-bench-panel > jh-choice label.ant-radio-button-wrapper');
  const count = await labels.count();
  for (let i = 0; i < count; i++) {
    if (isNarrow && (await narrow.getAttribute('aria-expanded')) === 'false') await narrow.click();
    const name = (await labels.nth(i).textContent()) ?? '';
    if (!(await labels.nth(i).isVisible())) continue;
    await labels.nth(i).click();
    await look(name.trim());
  }
}

/** Controls a person sees without scrolling; the song's own notes and chords, and the keys of the piano, apart. */
function controlsInSight(): number {
  const all = document.querySelectorAll<HTMLElement>(
    'button, a[href], input, select, textarea, [role=button], [role=radio], [role=checkbox], [role=tab], [role=combobox]',
  );
  return [...all].filter((control) => {
    if (control.closest('jh-seam, jh-keyboard, jh-parts-map, [hidden], [inert]')) return false;
    const shown = control instanceof HTMLInputElement ? (control.closest('label') ?? control) : control;
    const { left, right, top, bottom, width, height } = shown.getBoundingClientRect();
    if (width < 2 || height < 2 || right <= 0 || bottom <= 0 || left >= innerWidth || top >= innerHeight)
      return false;
    const front = document.elementFromPoint(
      (Math.max(0, left) + Math.min(innerWidth, right)) / 2,
      (Math.max(0, top) + Math.min(innerHeight, bottom)) / 2,
    );
    return front !== null && (shown.contains(front) || front.contains(shown));
  }).length;
}

/** Labels and buttons whose text does not fit into them. */
function cutLabels(): string[] {
  const all = document.querySelectorAll<HTMLElement>(
    'button, label, h1, h2, h3, [role=tab], nz-select-item, .ant-tag, dt, dd',
  );
  return [...all]
    .filter((label) => {
      const { width, height } = label.getBoundingClientRect();
      if (width < 2 || height < 2 || label.closest('.visually-hidden')) return false;
      return label.scrollWidth > label.clientWidth + 1 && label.clientWidth > 0;
    })
    .map((label) => `cut: ${label.tagName.toLowerCase()} “${label.innerText.slice(0, 40)}”`);
}

for (const { view, width, controls, wrong } of results)
  console.log(
    `${String(width).padStart(5)}  ${view.padEnd(28)} ${String(controls).padStart(3)} controls ${wrong.length > 0 ? `\n         ${wrong.join('\n         ')}` : ''}`,
  );
const wrong = results.filter((result) => result.wrong.length > 0).length;
console.log(`${results.length} views, ${wrong} with something wrong`);
process.exitCode = wrong > 0 ? 1 : 0;
