// npm start: installs, builds and serves the application, and prints its address.
import { install, needsBuild, run } from './setup.mjs';

const installed = install();
const built = installed === 0 && needsBuild() ? run('node', ['tools/build.mjs']) : installed;
process.exitCode = built === 0 ? run('npx', ['tsx', 'server/main.ts']) : built;
