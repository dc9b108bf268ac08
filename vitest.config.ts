import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: {
    alias: [
      {
        find: /^@joined-hands\/core\/(.*)$/,
        replacement: new URL('./core/$1/index.ts', import.meta.url).pathname,
      },
    ],
  },
  test: {
    include: ['{core,app,server,tools,demo}/**/*.spec.ts'],
    environment: 'node',
    // Before Dexie, which looks for the store of the browser once, when whichever test first loads it.
    setupFiles: ['fake-indexeddb/auto', './tools/thorough.ts'],
    testTimeout: 60_000,
    // Files share what they import: the core is pure, and loading it anew for each file took as long as all tests.
    isolate: false,
    // Both cores of a small machine: left to itself it keeps one back.
    maxWorkers: 2,
    // Arranging makes much that is soon forgotten: with more room for it a twelfth of the time is saved.
    execArgv: ['--max-semi-space-size=128'],
  },
});
