import { expect, test } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { arrange } from '../core/arrange';
import { Clock } from '../core/performance';
import { wantedKeys } from '../core/practice';
import { DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import config from '../playwright.config';
import { openPractise, title, toRightHand, watch } from './pages';
import { played } from './sounds';

const [lanterns] = DEMO_SONGS;
const arrangement = arrange(lanterns, DEFAULT_PROFILE);
const [part] = arrangement.parts;
const clock = new Clock(arrangement.played.tempoMap, lanterns.feel);
const wanted = wantedKeys([...arrangement.right, ...arrangement.left], clock, part);
/** The tune's third key is a half step too high. */
const tune = wanted.filter(({ hand }) => hand === 'right');
const wrong = tune[2];
/**
 * Silence before it is played, in seconds. A bar is counted in, and it is listened for about twice as long as it lasts: however
 * slowly the listening begins, what is played lies inside.
 */
const SILENCE = 4.5;
/** What is put together begins slower. */
const PACE = 1.15;
/** The first part as a piano in the room would sound, both hands, heard by the browser's own test microphone. */
const notes = wanted.map((key) => {
  const next = wanted.find(({ seconds, hand }) => hand === key.hand && seconds > key.seconds);
  return {
    midi: key === wrong ? key.midi + 1 : key.midi,
    at: SILENCE + key.seconds * PACE,
    lasts: ((next?.seconds ?? key.seconds + 1) - key.seconds) * PACE * 0.95,
  };
});
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

test('both hands played in the room are heard through the microphone, and the one wrong key is found and named', async ({
  page,
}) => {
  const watched = watch(page);
  await openPractise(page, 'Lanterns at Low Water');
  await toRightHand(page);
  for (const name of ['Part 1, left hand', /^Part 1: say/, 'Part 1, both hands']) {
    await page.keyboard.press('ArrowRight');
    await expect(title(page, name)).toBeVisible();
  }
  const now = page.locator('jh-now-panel');
  await now.getByRole('button', { name: 'Microphone' }).click();
  await expect(now.getByRole('status')).toContainText('Count-in');
  await expect(now).toContainText('heard right and in time', { timeout: 60_000 });
  await expect(now.locator('ol.ranked li').first()).toContainText(/instead of .* in the right hand/);
  expect(watched.errors).toEqual([]);
});
