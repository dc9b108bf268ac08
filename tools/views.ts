// Every view and panel at five sizes, in the dark, on the stage and in the system's own colours: what axe finds, labels that are cut, controls that overlap or are too small for a
// finger, how many are in sight and how many words: npm run views [-- NAME …]. Needs a build.
import type { Page } from '@playwright/test';
import { graveFindings } from '../e2e/axe';
import { openTab } from '../e2e/pages';
import { withBrowser } from './bench-browser';

interface Seen {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  /** A look that was chosen. */
  readonly look?: 'dark' | 'stage';
  readonly forcedColors?: 'active';
}
const ALL_SEEN: readonly Seen[] = [
  { name: '1280', width: 1280, height: 800 },
  { name: '1024', width: 1024, height: 768 },
  { name: '768', width: 768, height: 1024 },
  { name: '390', width: 390, height: 844 },
  { name: '844', width: 844, height: 390 },
  { name: 'dark', width: 1280, height: 800, look: 'dark' },
  { name: 'stage', width: 390, height: 844, look: 'stage' },
  { name: 'forced', width: 1280, height: 800, forcedColors: 'active' },
];
const asked = process.argv.slice(2);
const SEEN = ALL_SEEN.filter(({ name }) => asked.length === 0 || asked.includes(name));
const BENCHES = ['tune', 'chords', 'parts', 'join', 'fills', 'practise', 'handout'];

const results: {
  view: string;
  name: string;
  controls: number;
  each: number;
  words: number;
  wrong: string[];
}[] = [];

await withBrowser(async (browser, origin) => {
  for (const { name, look: chosen, forcedColors, ...viewport } of SEEN) {
    const context = await browser.newContext({ viewport, forcedColors, reducedMotion: 'reduce' });
    const page = await context.newPage();
    if (chosen)
      await page.addInitScript(
        (ways) => localStorage.setItem('joined-hands-own-ways', ways),
        JSON.stringify({ look: chosen }),
      );
    // The names that tsx gives to functions.
    await page.addInitScript('globalThis.__name = (of) => of');
    page.on('pageerror', (error) => console.log(`${page.url()}: ${error.message}`));
    const look = async (view: string): Promise<void> => {
      await page.waitForTimeout(250);
      const wrong = [
        ...(await graveFindings(page)),
        ...(await page.evaluate(cutLabels)),
        ...(await page.evaluate(misplaced, viewport.width < 900)),
      ];
      const [[controls, each], words] = [
        await page.evaluate(controlsInSight),
        await page.evaluate(wordsInSight),
      ];
      results.push({ view, name, controls, each, words, wrong });
    };
    await page.goto(origin);
    await page.locator('article').first().waitFor();
    await look('shelf');
    for (const title of ['Type a tune', 'Write chords', 'Bin and storage']) {
      await page.getByRole('button', { name: title }).click();
      await page.getByRole('dialog').waitFor();
      await look(`shelf: ${title}`);
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
    }
    await page.locator('article summary').first().click();
    await look('shelf: menu of a card');
    await page.getByRole('button', { name: 'New version of it' }).click();
    await page.getByRole('dialog').waitFor();
    await look('shelf: new version');
    for (const bench of BENCHES) {
      await page.goto(`${origin}/song/demo-mudflat/${bench}`);
      await page.locator('main[aria-busy=false]').waitFor();
      await page.locator('aside.reasons > :not(router-outlet)').first().waitFor({ state: 'attached' });
      await look(bench);
      await panels(page, async (name) => look(`${bench}: ${name}`));
    }
    await page.keyboard.press('Control+k');
    await page.getByRole('dialog').waitFor();
    await look('find');
    await page.goto(`${origin}/chords?song=demo-mudflat`);
    await page.locator('jh-shapes-tab .shapes section').first().waitFor();
    const tabs = page.locator('main jh-choice').first().locator('label.ant-radio-button-wrapper');
    for (let i = 0; i < (await tabs.count()); i++) {
      await tabs.nth(i).click();
      await look(`chord room: ${await tabs.nth(i).innerText()}`);
    }
    await page.goto(`${origin}/settings`);
    await page.getByRole('heading', { name: 'Settings' }).waitFor();
    await look('settings');
    await context.close();
  }
});

/** Opens each panel of the bench in turn. */
async function panels(page: Page, look: (name: string) => Promise<void>): Promise<void> {
  const narrow = page.locator('jh-frame-header button.narrow-only').nth(1);
  const isNarrow = await narrow.isVisible();
  const open = async (): Promise<void> => {
    if (isNarrow && (await narrow.getAttribute('aria-expanded')) === 'false') await narrow.click();
  };
  await open();
  const tabs = page.locator('jh-bench-panel .tabs');
  const names = await tabs.locator('label.ant-radio-button-wrapper, .menu button').allTextContents();
  for (const name of names) {
    await open();
    await openTab(page, name.trim());
    await look(name.trim());
  }
}

/**
 * Controls a person sees without scrolling; the song's own notes, chords and parts, and the keys of the piano, apart. A choice
 * among a few is one; second, with each of them counted.
 */
function controlsInSight(): [choices: number, each: number] {
  const all = document.querySelectorAll<HTMLElement>(
    'button, a[href], input, select, textarea, [role=button], [role=radio], [role=checkbox], [role=tab], [role=combobox]',
  );
  const seen = [...all].filter((control) => {
    if (control.closest('jh-seam, jh-keyboard, jh-parts-map, jh-parts-rail, [inert]')) return false;
    if (!control.checkVisibility()) return false;
    const shown = control instanceof HTMLInputElement ? (control.closest('label') ?? control) : control;
    const { left, right, top, bottom, width, height } = shown.getBoundingClientRect();
    if (width < 2 || height < 2 || right <= 0 || bottom <= 0 || left >= innerWidth || top >= innerHeight)
      return false;
    const front = document.elementFromPoint(
      (Math.max(0, left) + Math.min(innerWidth, right)) / 2,
      (Math.max(0, top) + Math.min(innerHeight, bottom)) / 2,
    );
    return front !== null && (shown.contains(front) || front.contains(shown));
  });
  const radios = seen.filter((control) => control instanceof HTMLInputElement && control.type === 'radio');
  const groups = new Set(radios.map((radio) => radio.closest('[role=radiogroup]')));
  return [seen.length - radios.length + groups.size, seen.length];
}

/** Words a person sees without scrolling; the song's own, and those only heard, apart. */
function wordsInSight(): number {
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  let words = 0;
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const parent = node.parentElement;
    if (
      !parent ||
      parent.closest(
        'jh-seam, jh-keyboard, jh-parts-rail, jh-parts-map, jh-part-sheet, .pages, .visually-hidden, script, style',
      )
    )
      continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    const { left, right, top, bottom, width, height } = range.getBoundingClientRect();
    if (width < 2 || height < 2 || right <= 0 || bottom <= 0 || left >= innerWidth || top >= innerHeight)
      continue;
    const front = document.elementFromPoint(
      (Math.max(0, left) + Math.min(innerWidth, right)) / 2,
      (Math.max(0, top) + Math.min(innerHeight, bottom)) / 2,
    );
    if (front && (parent.contains(front) || front.contains(parent)))
      words += (node.textContent ?? '').split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length;
  }
  return words;
}

/** Controls over one another; where fingers are used, those smaller than 44 pixels. */
function misplaced(isTouched: boolean): string[] {
  const all = [
    ...document.querySelectorAll<HTMLElement>('button, a[href], input, textarea, summary, label, nz-select'),
  ]
    .filter((control) => {
      if (control.closest('jh-seam, jh-keyboard, jh-parts-map, .visually-hidden, nz-select *, [inert]'))
        return false;
      if (!control.checkVisibility()) return false;
      if (control.matches('label') && !control.matches('.ant-radio-button-wrapper')) return false;
      if (control.closest('label') !== null && !control.matches('label')) return false;
      const { left, right, top, bottom, width, height } = control.getBoundingClientRect();
      if (width < 2 || height < 2 || right > innerWidth + 1 || bottom > innerHeight || left < -1 || top < 0)
        return false;
      const front = document.elementFromPoint((left + right) / 2, (top + bottom) / 2);
      return front !== null && (control.contains(front) || front.contains(control));
    })
    .map((control) => ({
      control,
      box: (
        control.closest('.ant-input-number, .ant-input-affix-wrapper') ?? control
      ).getBoundingClientRect(),
    }));
  const name = (control: HTMLElement): string =>
    `${control.tagName.toLowerCase()} “${(control.innerText || control.getAttribute('aria-label') || control.id).slice(0, 30)}”`;
  const small = all
    // A link within a sentence is as high as its line.
    .filter(({ control, box }) => isTouched && box.height < 43.5 && !control.matches('p a, li a, dd a'))
    .map(({ control, box }) => `small: ${name(control)} ${Math.round(box.width)}x${Math.round(box.height)}`);
  const over = all.flatMap(({ control, box }, i) =>
    all.slice(i + 1).flatMap((other) => {
      if (control.contains(other.control) || other.control.contains(control)) return [];
      // What lies in a sheet or a menu lies over the rest.
      if (control.offsetParent !== other.control.offsetParent) return [];
      const width = Math.min(box.right, other.box.right) - Math.max(box.left, other.box.left);
      const height = Math.min(box.bottom, other.box.bottom) - Math.max(box.top, other.box.top);
      return width > 3 && height > 3 ? [`over: ${name(control)} and ${name(other.control)}`] : [];
    }),
  );
  return [...small, ...over];
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

for (const { view, name, controls, each, words, wrong } of results)
  console.log(
    `${name.padStart(6)}  ${view.padEnd(28)} ${String(controls).padStart(3)} controls (${each}) ${String(words).padStart(4)} words ${wrong.length > 0 ? `\n         ${wrong.join('\n         ')}` : ''}`,
  );
const wrong = results.filter((result) => result.wrong.length > 0).length;
console.log(`${results.length} views, ${wrong} with something wrong`);
process.exitCode = wrong > 0 ? 1 : 0;
