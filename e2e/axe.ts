import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** Findings of axe on a page, or on what a selector says: rule and first element. */
export async function graveFindings(page: Page, where = 'body'): Promise<string[]> {
  // One page without frames: what the legacy mode leaves out is a second page opened to put frames together.
  const axe = new AxeBuilder({ page }).include(where).setLegacyMode(true);
  const { violations } = await axe.options({ resultTypes: ['violations'] }).analyze();
  return violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html}`);
}
