// npm test: installs what is missing, then lint, types, unit tests, build and browser journeys. What does not need the
// other runs beside it: a small machine has two cores, and some of these use one at a time.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, install, needsBuild, start } from './setup.mjs';

const reports = mkdtempSync(join(tmpdir(), 'joined-hands-'));
let passed = 0;
let failed = 0;

/** A check that passes or fails as a whole; whether it passed. */
async function check(name, command, args, options) {
  const started = Date.now();
  const isGood = (await start(command, args, options)) === 0;
  console.log(`${isGood ? 'passed' : 'FAILED'}: ${name} (${((Date.now() - started) / 1000).toFixed(0)} s)`);
  if (isGood) passed++;
  else failed++;
  return isGood;
}

/** A test runner that writes a report; its tests are counted one by one, at least one failure when it broke. */
async function suite(name, command, args, report, count) {
  const status = await start(command, args, {
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: report, CHROMIUM_PATH: browser ?? '' },
  });
  let counted = { passed: 0, failed: 0 };
  try {
    counted = count(JSON.parse(readFileSync(report, 'utf8')));
  } catch (error) {
    console.error(`${name}: the report could not be read: ${error.message}`);
  }
  passed += counted.passed;
  failed += Math.max(counted.failed, status === 0 ? 0 : 1);
}

let browser = null;
if (install() !== 0) {
  console.error('The packages could not be installed: see the lines above.');
  failed++;
} else {
  const looking = start('node', ['tools/chromium.mjs']);
  const building = needsBuild() ? check('build', 'node', ['tools/build.mjs']) : Promise.resolve(true);
  await Promise.all([
    check('lint', 'npx', ['eslint', '.', '--max-warnings', '0'], {
      // Much is made that is soon forgotten.
      env: { NODE_OPTIONS: '--max-semi-space-size=128' },
    }),
    check('types', 'npm', ['run', '--silent', 'types']),
  ]);
  const units = join(reports, 'units.json');
  await suite(
    'unit tests',
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${units}`],
    units,
    (r) => ({
      passed: r.numPassedTests,
      failed: r.numFailedTests,
    }),
  );
  browser = (await looking) === 0 ? chromium() : null;
  const isBuilt = await building;
  if (!browser) {
    console.error(
      'Chromium is missing and could not be installed: run "apt-get install chromium" as root, or set CHROMIUM_PATH.',
    );
    failed++;
  } else if (isBuilt) {
    for (const project of ['in real time', 'journeys']) {
      const report = join(reports, `${project}.json`);
      await suite(
        project,
        'npx',
        ['playwright', 'test', `--project=${project}`, '--reporter=list,json'],
        report,
        ({ stats }) => ({
          passed: stats.expected + stats.flaky,
          failed: stats.unexpected,
        }),
      );
    }
  }
}
rmSync(reports, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
