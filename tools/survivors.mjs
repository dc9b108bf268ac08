// A reporter for npm run mutants: a run takes long, so each change no test notices is said as soon as it is known.
import { relative } from 'node:path';

class Survivors {
  onMutantTested({ status, fileName, location, mutatorName, replacement }) {
    if (status !== 'Survived' && status !== 'NoCoverage') return;
    const place = `${relative(process.cwd(), fileName)}:${location.start.line}`;
    const change = replacement?.replaceAll(/\s+/g, ' ').slice(0, 60);
    console.log(`${status.padEnd(10)} ${place} ${mutatorName}: ${change}`);
  }
}

export const strykerPlugins = [{ kind: 'Reporter', name: 'survivors', injectableClass: Survivors }];
