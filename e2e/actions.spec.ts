import { expect, type Locator, type Page } from '@playwright/test';
import { arranged, openBench, openTab, storedSong } from './pages';
import { test } from './tab';

/** Presses and clicks, counted from a bench that is open; text apart. */
class Hand {
  actions = 0;
  constructor(private readonly page: Page) {}

  async click(target: Locator, options: Parameters<Locator['click']>[0] = {}): Promise<void> {
    this.actions++;
    await target.click(options);
  }

  async press(...keys: readonly string[]): Promise<void> {
    for (const key of keys) {
      this.actions++;
      await this.page.keyboard.press(key);
    }
  }

  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
  }
}

/** Sixteen bars, and no chord twice in a row. */
const ROW = 'C Dm G7 Am F G Em F C Dm G C F G7 Am C'.split(' ');

type Way = 'mouse' | 'keyboard';
const WAYS: readonly Way[] = ['mouse', 'keyboard'];

for (const way of WAYS) {
  test(`by ${way}: a row of chords over the tune in 3 actions and the text`, async ({ page }) => {
    await openBench(page, 'Sluicegate Song', 'chords');
    await arranged(page);
    const hand = new Hand(page);
    const field = page.getByLabel('Write a row of chords');
    if (way === 'mouse') await hand.click(field);
    else await hand.press('k');
    await expect(field).toBeFocused();
    await hand.type(`| ${ROW.join(' | ')} |`);
    if (way === 'mouse') await hand.click(page.getByRole('button', { name: 'Write them' }));
    else await hand.press('Control+Enter');
    await expect(page.locator('jh-seam .symbol').nth(1)).toHaveText('Dm');
    expect(hand.actions).toBeLessThanOrEqual(3);
    const { changes } = await storedSong(page);
    expect(changes.filter(({ tick }) => tick >= 960).map(({ symbol }) => symbol)).toEqual(ROW);
  });

  test(`by ${way}: one chord in its very keys in 4 actions and the text`, async ({ page }) => {
    await openBench(page, 'Lanterns at Low Water', 'chords');
    await arranged(page);
    const hand = new Hand(page);
    if (way === 'mouse') {
      await hand.click(page.locator('[data-change=c1] .symbol'));
      await hand.click(page.locator('jh-bench-panel .tabs label', { hasText: /^Name$/ }));
      await hand.click(page.getByLabel('The keys in letters'), { clickCount: 3 });
    } else await hand.press('ArrowRight', 'y');
    await expect(page.getByLabel('The keys in letters')).toBeFocused();
    await hand.type('A2 C3 G3');
    await hand.press('Enter');
    await openTab(page, 'Chord');
    await expect(page.locator('jh-chord-panel')).toContainText('You pinned this voicing.');
    await expect(page.locator('jh-chord-panel')).toContainText('Played A C G');
    expect(hand.actions).toBeLessThanOrEqual(4);
  });

  test(`by ${way}: one bar of the left hand changed in 6 actions and the text`, async ({ page }) => {
    await openBench(page, 'Lanterns at Low Water', 'join');
    await arranged(page);
    const hand = new Hand(page);
    const counts = page.getByRole('textbox', { name: 'Counts' });
    if (way === 'mouse') {
      await hand.click(page.locator('jh-bench-panel .tabs label', { hasText: /^By hand$/ }));
      await hand.click(page.getByRole('textbox', { name: 'Letters' }), { clickCount: 3 });
      await hand.type('E2 C3');
      await hand.click(counts, { clickCount: 3 });
    } else {
      await hand.press('h');
      await expect(counts).toHaveValue('1 |');
      await hand.press('t');
      await hand.type('E2 C3');
      await hand.press('Tab', 'Control+a');
    }
    await expect(counts).toBeFocused();
    await hand.type('1 2');
    const keys = page.locator('jh-seam .block .letter');
    await expect(keys.nth(0)).toHaveText('E');
    await expect(keys.nth(1)).toHaveText('C');
    expect(hand.actions).toBeLessThanOrEqual(6);
  });

  test(`by ${way}: thirds on four notes in 5 actions`, async ({ page }) => {
    await openBench(page, 'Lanterns at Low Water', 'tune');
    await arranged(page);
    const hand = new Hand(page);
    if (way === 'mouse') {
      await hand.click(page.locator('jh-seam [data-note=n1]'));
      await hand.click(page.locator('jh-seam [data-note=n4]'), { modifiers: ['Shift'] });
      await hand.click(page.locator('jh-notes-panel nz-select'));
      await hand.click(page.locator('.ant-select-item-option', { hasText: 'A third under it' }));
    } else
      await hand.press('ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowRight', 'Shift+H');
    await expect(page.locator('jh-seam .picked-note')).toHaveCount(4);
    await expect(page.locator('jh-notes-panel')).toContainText('A third under it');
    await expect(page.locator('jh-seam .note .letter', { hasText: 'G' })).toHaveCount(3);
    expect(hand.actions).toBeLessThanOrEqual(5);
  });

  test(`by ${way}: the second time an octave higher in 3 actions`, async ({ page }) => {
    await openBench(page, 'Lanterns at Low Water', 'parts');
    await expect(page.locator('jh-part-sheet')).toContainText('Part 1');
    const hand = new Hand(page);
    if (way === 'mouse') {
      await hand.click(page.locator('jh-parts-rail button').nth(3));
      await hand.click(page.locator('jh-this-part-panel').getByText('Higher', { exact: true }));
    } else await hand.press('4', 'u');
    await expect(page.locator('jh-this-part-panel')).toContainText('Part 4');
    await expect(page.locator('jh-part-sheet')).toContainText('Right hand: part 1, an octave higher.');
    expect(hand.actions).toBeLessThanOrEqual(3);
  });
}
