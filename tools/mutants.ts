// How strong are the unit tests: npm run mutants [-- --lines 260 --seed 1 --only core|app|PATH].
// What survives there is tried again, against tests that are named, with --at FILE:LINE,FILE:LINE --tests SPEC,SPEC.
// Picks lines of the core and of the application's logic by seed, changes each as Stryker knows how, and counts the
// changes some unit test notices. Not part of npm test: it runs for many minutes.
import { Stryker } from '@stryker-mutator/core';
import { execSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { seeded } from '../core/chance';

/** Killed by the unit tests, at least, of the changes made. */
const WANTED = 0.8;

const { values } = parseArgs({
  options: {
    lines: { type: 'string', default: '260' },
    seed: { type: 'string', default: '1' },
    only: { type: 'string', default: '' },
    at: { type: 'string', default: '' },
    tests: { type: 'string', default: '' },
  },
});
/** The tests that are run; all where none are named. */
process.env['MUTANTS_TESTS'] = values.tests;

/** Templates, icons, pages and the thread's own entry points: shown by the browser journeys, not by unit tests. */
const NOT_LOGIC =
  /\.spec\.ts$|\.d\.ts$|\/testing\/|\/index\.ts$|\.worker\.ts$|routes\.ts$|config\.ts$|main\.ts$/;
const IS_COMPONENT = /@Component\(|@Directive\(/;
/** Lines without a decision in them. */
const NOTHING_TO_CHANGE =
  /^\s*($|\/\/|\/?\*|import |export \{|export type |export interface |readonly |[}\])];?,?$)/;

interface Line {
  readonly file: string;
  readonly number: number;
}

function linesOf(file: string): Line[] {
  const text = readFileSync(file, 'utf8');
  if (file.startsWith('app/') && IS_COMPONENT.test(text)) return [];
  return text
    .split('\n')
    .flatMap((line, i) => (NOTHING_TO_CHANGE.test(line) ? [] : [{ file, number: i + 1 }]));
}

function picked(lines: readonly Line[], count: number, seed: number): Line[] {
  const random = seeded(seed);
  const left = [...lines];
  return Array.from(
    { length: Math.min(count, left.length) },
    () => left.splice(Math.floor(random() * left.length), 1)[0],
  );
}

async function main(): Promise<void> {
  process.chdir(fileURLToPath(new URL('..', import.meta.url)));
  const files = execSync('git ls-files core app/src', { encoding: 'utf8' })
    .split('\n')
    .filter((file) => file.endsWith('.ts') && !NOT_LOGIC.test(file) && file.startsWith(values.only));
  const lines = values.at
    ? values.at.split(',').map((place): Line => {
        const [file, number] = place.split(':');
        return { file, number: Number(number) };
      })
    : picked(files.flatMap(linesOf), Number(values.lines), Number(values.seed));
  const results = await new Stryker({
    mutate: lines.map(({ file, number }) => `${file}:${number}:0-${number}:999`),
    testRunner: 'vitest',
    vitest: { configFile: 'tools/mutants.vitest.ts', related: false },
    // What is worked out while tests are gathered counts for none of them: few tests are run for each change instead.
    coverageAnalysis: values.tests ? 'off' : 'perTest',
    // The words of sentences are read by people; a changed comma is no change of behaviour.
    mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
    ignoreStatic: values.tests === '',
    ignorePatterns: ['dist', '.angular', 'out', 'docs', 'e2e'],
    tempDirName: '.cache/mutants',
    concurrency: 2,
    timeoutMS: 10_000,
    // The first run of all tests, on a machine that does other work besides.
    dryRunTimeoutMinutes: 30,
    reporters: ['progress', 'survivors'],
    plugins: ['@stryker-mutator/vitest-runner', resolve('tools/survivors.mjs')],
    checkers: [],
    disableTypeChecks: true,
    allowEmpty: true,
  }).runMutationTest();

  const counted = results.filter((r) => r.status !== 'Ignored' && r.status !== 'CompileError');
  const killed = counted.filter((r) => r.status === 'Killed' || r.status === 'Timeout');
  for (const tree of ['core', 'app'] as const) {
    const isHere = (r: { fileName: string }): boolean =>
      r.fileName.slice(process.cwd().length + 1).startsWith(tree);
    const [of, dead] = [counted.filter(isHere).length, killed.filter(isHere).length];
    if (of > 0) console.log(`${tree}: ${dead} of ${of} killed (${((100 * dead) / of).toFixed(0)} %)`);
  }
  const share = killed.length / Math.max(1, counted.length);
  console.log(
    `all: ${killed.length} of ${counted.length} killed (${(100 * share).toFixed(0)} %), wanted ${100 * WANTED} %`,
  );
  process.exitCode = share >= WANTED ? 0 : 1;
}

await main();
