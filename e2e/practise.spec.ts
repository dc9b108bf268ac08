import { expect, test } from '@playwright/test';
import { graveFindings } from './axe';
import { arranged, openSong, watch } from './pages';

test('a sitting: a plan, a turn that fails and one that is clean, judged and kept in the log', async ({
  page,
}) => {
  const watched = watch(page);
  await openSong(page, 'Lanterns at Low Water');
  await page.getByRole('link', { name: 'Practise', exact: true }).click();
  const now = page.locator('jh-now-panel');
  await expect(now.getByRole('heading', { name: 'Part 1: hear it' })).toBeVisible();
  await page.keyboard.press('y');
  await page.keyboard.press('ArrowRight');
  await expect(now.getByRole('heading', { name: 'Part 1, right hand' })).toBeVisible();
  await expect(now).toContainText('60 % of the tempo, 0 of 3 clean turns');
  await now.getByRole('button', { name: 'Simulated, careless' }).click();
  await expect(now.getByRole('heading', { name: 'Not yet' })).toBeVisible({ timeout: 60_000 });
  await expect(now.getByRole('button', { name: /^Loop bar/ }).first()).toBeVisible();
  // Without an instrument one says how it went.
  await page.keyboard.press('y');
  await expect(now.getByRole('heading', { name: 'A clean turn' })).toBeVisible();
  await expect(now).toContainText('1 of 3 clean turns');
  expect(await graveFindings(page, 'jh-practise-panel')).toEqual([]);

  await page.keyboard.press('g');
  await expect(page.getByRole('table', { name: 'The last turns' }).locator('tbody tr')).toHaveCount(3);
  expect(await graveFindings(page, 'jh-practise-panel')).toEqual([]);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Take the log away/ }).click();
  let text = '';
  for await (const part of await (await saved).createReadStream()) text += String(part);
  expect(text.split('\r\n')[0]).toContain('tempoPercent');
  expect(text.split('\r\n')).toHaveLength(4);

  // What was practised is still known after the page was loaded anew.
  await page.reload();
  await arranged(page);
  await page.keyboard.press('g');
  await expect(page.getByRole('table', { name: 'The last turns' }).locator('tbody tr')).toHaveCount(3);
  await page.keyboard.press('p');
  await expect(page.locator('jh-plan-panel')).toContainText('jobs, about');
  await expect(page.locator('jh-plan-panel').getByText('Part 1: hear it').first()).toBeVisible();
  expect(watched.errors).toEqual([]);
});
