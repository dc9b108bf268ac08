import type { Locator, Page } from '@playwright/test';

/** Counts what a person does: a press, a click, a field filled in. */
export class Person {
  private readonly done: string[] = [];

  constructor(readonly page: Page) {}

  async click(what: string, where: Locator): Promise<void> {
    await where.click();
    this.done.push(what);
  }

  /** What the browser's own window does here: a file chosen in it. */
  did(what: string): void {
    this.done.push(what);
  }

  async press(key: string, times = 1): Promise<void> {
    for (let i = 0; i < times; i++) await this.page.keyboard.press(key);
    for (let i = 0; i < times; i++) this.done.push(key);
  }

  /** Into the field that has the focus, or one that is clicked: the text counts as one. */
  async type(text: string, field?: Locator): Promise<void> {
    if (field) await field.fill(text);
    else await this.page.keyboard.type(text);
    this.done.push('type');
  }

  /** What another did for the same task. */
  also(other: Person): void {
    this.done.push(...other.done);
  }

  /** What was done, in order, alike ones in a row together. */
  told(): { readonly count: number; readonly steps: string } {
    const runs: { what: string; times: number }[] = [];
    for (const what of this.done) {
      const last = runs.at(-1);
      if (last?.what === what) last.times++;
      else runs.push({ what, times: 1 });
    }
    const steps = runs.map(({ what, times }) => (times > 1 ? `${what} ×${times}` : what)).join(' · ');
    return { count: this.done.length, steps };
  }
}
