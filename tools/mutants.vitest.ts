import { readFileSync } from 'node:fs';
import { mergeConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';
import units from '../vitest.config';

/** Worked examples first: what they notice need not be tried on every song. */
class ExamplesFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const weight = ({ moduleId }: TestSpecification): number => {
      const text = readFileSync(moduleId, 'utf8');
      return (
        text.length * (/fast-check/.test(text) ? 100 : 1) * (/DEMO_SONGS|randomSong/.test(text) ? 10 : 1)
      );
    };
    return files
      .map((file) => ({ file, weight: weight(file) }))
      .sort((a, b) => a.weight - b.weight)
      .map(({ file }) => file);
  }
}

const named = process.env['MUTANTS_TESTS'];
if (named && units.test) units.test.include = named.split(',');
// Here tests run in threads, which take no such argument.
if (units.test) units.test.execArgv = [];

/** The unit tests as npm run mutants runs them, without those of the tools and the longest. */
export default mergeConfig(units, {
  test: { exclude: ['tools/**', 'core/patterns/fingers.spec.ts'], sequence: { sequencer: ExamplesFirst } },
});
