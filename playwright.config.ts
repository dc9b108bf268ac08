import { defineConfig } from '@playwright/test';

const PORT = 4319;

export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  workers: 1,
  // Slow machines are given time: nothing here measures speed.
  expect: { timeout: 15_000 },
  retries: 0,
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env['CHROMIUM_PATH'] || '/usr/bin/chromium',
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
  webServer: {
    command: 'npx tsx server/main.ts',
    port: PORT,
    env: { PORT: String(PORT) },
    reuseExistingServer: false,
  },
});
