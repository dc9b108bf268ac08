import { defineConfig } from '@playwright/test';
import { chromium } from './tools/setup.mjs';

const PORT = 4319;
/** Looked for (and installed where it is missing) once; the workers, which read this file too, are told. */
process.env['CHROMIUM_PATH'] ||= chromium() ?? '';

export default defineConfig({
  testDir: 'e2e',
  timeout: 180_000,
  // One more than the machine has cores: some journeys listen in real time. Each has a browser context, and so a store, of its own.
  workers: 3,
  fullyParallel: true,
  // Slow machines are given time: nothing here measures speed.
  expect: { timeout: 30_000 },
  retries: 0,
  use: {
    // Only the journeys away from the network store the application: for each of the others that would only cost time.
    serviceWorkers: 'block',
    // A press that cannot be made says which, long before the journey's time is up.
    actionTimeout: 40_000,
    navigationTimeout: 60_000,
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // A label that is still changing its colour is no finding of axe, and nothing is drawn that no journey looks at.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env['CHROMIUM_PATH'] || undefined,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
  projects: [
    { name: 'journeys', testIgnore: /microphone/ },
    // What is played is heard as it sounds: npm test runs it by itself, and again where a machine busy with something else
    // began to listen after the tune.
    { name: 'in real time', testMatch: /microphone/, retries: 2 },
  ],
  webServer: {
    command: 'npx tsx server/main.ts',
    port: PORT,
    env: { PORT: String(PORT) },
    reuseExistingServer: false,
  },
});
