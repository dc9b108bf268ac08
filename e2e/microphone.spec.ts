import { expect, test } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unfold } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import config from '../playwright.config';
import { openPractise, title, toRightHand, watch } from './pages';
import { played } from './sounds';

const [lanterns] = DEMO_SONGS;
const { melody, tempoMap } = unfold(lanterns);
const perTick = 60 / (tempoMap[0].quartersPerMinute * 960);
/**
 * Silence before it is played, in seconds. A bar is counted in for 1.9, the last note begins 5.6 after the first, and it is
 * listened for 9.6: however slowly the listening begins (2.4 late at most), the tune lies inside.
 */
const SILENCE = 3.8;
/** The first part as a piano in the room would sound, heard by the browser's own test microphone. */
const notes = melody
  .filter(({ tick }) => tick < 4 * 2880)
  .map(({ tick, length, midi }) => ({
    midi,
    at: SILENCE + tick * perTick,
    lasts: length * perTick * 0.9,
  }));
const FILE = join(tmpdir(), 'joined-hands-microphone.wav');
writeFileSync(FILE, played(notes, 30));

test.use({
  launchOptions: {
    ...config.use?.launchOptions,
    args: [
      ...(config.use?.launchOptions?.args ?? []),
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${FILE}`,
    ],
  },
});

test('a tune played in the room is heard through the microphone, note for note', async ({ page }) => {
  const watched = watch(page);
  await openPractise(page, 'Lanterns at Low Water');
  await toRightHand(page);
  const now = page.locator('jh-now-panel');
  // The piano is there before the microphone is: what it hears begins with it.
  await now.getByRole('button', { name: 'Hear it' }).click();
  await expect(page.locator('jh-seam .note.sounding').first()).toBeVisible();
  await now.getByRole('button', { name: 'Microphone' }).click();
  await expect(title(page, 'Clean, and passed')).toBeVisible({ timeout: 60_000 });
  await expect(now).toContainText(`${notes.length} of ${notes.length} keys right and in time.`);
  // Both hands it cannot tell, and says so.
  await page.keyboard.press('ArrowRight');
  await expect(title(page, 'Part 1, left hand')).toBeVisible();
  await now.getByRole('button', { name: 'Microphone' }).click();
  await expect(now.getByRole('alert')).toContainText('one note at a time');
  expect(watched.errors).toEqual([]);
});
