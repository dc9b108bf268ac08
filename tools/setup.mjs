// What npm start and npm test share: everything the machine needs is put there first. Only Node is asked for.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Runs a command in the project with its output shown; gives its exit code. */
export function run(command, args, options = {}) {
  const env = { ...process.env, NG_CLI_ANALYTICS: 'false', ...options.env };
  const { status, error } = spawnSync(command, args, {
    cwd: root,
    stdio: options.quiet ? 'ignore' : 'inherit',
    env,
  });
  if (error && !options.quiet) console.error(`${command} could not be started: ${error.message}`);
  return status ?? 1;
}

/** The same without waiting: resolves with the exit code. */
export function start(command, args, options = {}) {
  return new Promise((resolve) => {
    const env = { ...process.env, NG_CLI_ANALYTICS: 'false', ...options.env };
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', env });
    child.on('error', (error) => {
      console.error(`${command} could not be started: ${error.message}`);
      resolve(1);
    });
    child.on('close', (status) => resolve(status ?? 1));
  });
}

/** Installs the packages when they are missing or older than the lock file. */
export function install() {
  const mark = join(root, 'node_modules/.package-lock.json');
  const isFresh =
    existsSync(mark) && statSync(mark).mtimeMs >= statSync(join(root, 'package-lock.json')).mtimeMs - 1000;
  if (isFresh) return 0;
  console.log('Installing the packages …');
  // Not "npm ci": it refuses a lock file without the optional packages of other systems, which some registries lack.
  return run('npm', ['install', '--no-save', '--no-audit', '--no-fund']);
}

/** True when the built application is older than anything it is made of. */
export function needsBuild() {
  // What is built last.
  const built = join(root, 'dist/app/service-worker.js');
  if (!existsSync(built)) return true;
  const since = statSync(built).mtimeMs;
  return ['app', 'core', 'demo/files', 'tools/build.mjs', 'angular.json', 'package-lock.json'].some((path) =>
    newerThan(join(root, path), since),
  );
}

function newerThan(path, since) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs > since;
  return readdirSync(path).some((name) => name !== 'node_modules' && newerThan(join(path, name), since));
}

/** Debian's Chromium: made for no screen, it starts and draws with two thirds of the work of the whole one. */
const LIGHT = { name: 'chromium-headless-shell', paths: ['/usr/bin/chromium-headless-shell'] };
const WHOLE = { name: 'chromium', paths: ['/usr/bin/chromium', '/usr/bin/chromium-browser'] };
/** Where packages cannot be had, nobody waits long. */
const APT = ['-o', 'Acquire::Retries=0', '-o', 'Acquire::http::Timeout=20'];

/**
 * The path of Debian's Chromium, the light one or (for what is measured: it is what pianists have) the whole; the other
 * where there is only that. Installed with apt-get when it is missing and may be. Null when there is none.
 */
export function chromium(wanted = 'light') {
  const { CHROMIUM_PATH } = process.env;
  if (CHROMIUM_PATH && existsSync(CHROMIUM_PATH)) return CHROMIUM_PATH;
  const kinds = wanted === 'light' ? [LIGHT, WHOLE] : [WHOLE, LIGHT];
  const found = ({ paths }) => paths.find((path) => existsSync(path));
  for (const kind of kinds) {
    const path = found(kind) ?? (aptInstall(kind.name), found(kind));
    if (path) return path;
  }
  return null;
}

function aptInstall(name) {
  console.log(`Installing ${name} with apt-get …`);
  run('apt-get', [...APT, 'update'], { quiet: true });
  run('apt-get', [...APT, 'install', '-y', '--no-install-recommends', name], {
    quiet: true,
    env: { DEBIAN_FRONTEND: 'noninteractive' },
  });
}
