import { expect, type Page } from '@playwright/test';

/** A keyboard whose every press must leave the focus on something that shows it, in sight; Tabs are counted. */
export class Keys {
  tabs = 0;

  constructor(private readonly page: Page) {}

  async press(key: string): Promise<void> {
    if (/Tab$/.test(key)) this.tabs++;
    await this.page.keyboard.press(key);
    await expect
      .poll(() => this.page.evaluate(whatIsFocused), { message: `the focus after ${key}` })
      .toMatch(/^seen/);
  }

  /** Tabs on until what is wanted has the focus; fails after so many. */
  async tabTo(selector: string, most: number): Promise<void> {
    const wanted = this.page.locator(selector).first();
    for (let i = 0; i < most; i++) {
      if (await wanted.evaluate((element) => element === document.activeElement)) return;
      await this.press('Tab');
    }
    await expect(wanted).toBeFocused();
  }
}

function whatIsFocused(): string {
  const focused = document.activeElement;
  if (!focused || focused === document.body) return 'nothing is focused';
  const { left, right, top, bottom } = focused.getBoundingClientRect();
  const isInSight = right > 0 && bottom > 0 && left < innerWidth && top < innerHeight;
  const isOutlined = (element: Element | null): boolean => {
    if (!element) return false;
    const { outlineStyle, outlineWidth } = getComputedStyle(element);
    return outlineStyle !== 'none' && outlineWidth !== '0px';
  };
  // A radio button is drawn by its label.
  const label = focused.matches('input[type=radio], input[type=checkbox]') ? focused.closest('label') : null;
  const shows = isOutlined(focused) || isOutlined(label);
  const name = `${focused.tagName.toLowerCase()} ${focused.getAttribute('aria-label') ?? focused.textContent?.trim().slice(0, 30)}`;
  return `${!isInSight ? 'out of sight' : shows ? 'seen' : 'not shown'}: ${name}`;
}
