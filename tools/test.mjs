// npm test: installs what is missing, then lint, types, unit tests, build and browser journeys.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, install, needsBuild, run, start } from './setup.mjs';

const reports = mkdtempSync(join(tmpdir(), 'joined-hands-'));
let passed = 0;
let failed = 0;

/** Checks that pass or fail as a whole and do not need one another, at the same time; whether each passed, by name. */
async function checkTogether(...checks) {
  const started = Date.now();
  const results = await Promise.all(
    checks.map(async ([name, command, args]) => [
      name,
      record(name, (await start(command, args)) === 0, started),
    ]),
  );
  return Object.fromEntries(results);
}

function record(name, isGood, started) {
  console.log(`${isGood ? 'passed' : 'FAILED'}: ${name} (${((Date.now() - started) / 1000).toFixed(0)} s)`);
  if (isGood) passed++;
  else failed++;
  return isGood;
}

/** A test runner that writes a report; its tests are counted one by one, at least one failure when it broke. */
function suite(name, command, args, report, count) {
  const status = run(command, args, {
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
  const { build: built = true } = await checkTogether(
    ['lint', 'npx', ['eslint', '.', '--max-warnings', '0']],
    ['types', 'npm', ['run', '--silent', 'types']],
    ...(needsBuild() ? [['build', 'node', ['tools/build.mjs']]] : []),
  );
  const units = join(reports, 'units.json');
  suite(
    'unit tests',
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${units}`],
    units,
    (r) => ({
      passed: r.numPassedTests,
      failed: r.numFailedTests,
    }),
  );
  browser = chromium();
  if (!browser) {
    console.error(
      'Chromium is missing and could not be installed: run "apt-get install chromium" as root, or set CHROMIUM_PATH.',
    );
    failed++;
  } else if (built) {
    const journeys = join(reports, 'journeys.json');
    suite(
      'browser journeys',
      'npx',
      ['playwright', 'test', '--reporter=list,json'],
      journeys,
      ({ stats }) => ({
        passed: stats.expected + stats.flaky,
        failed: stats.unexpected,
      }),
    );
  }
}
rmSync(reports, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
