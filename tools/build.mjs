// npm run build: the application, and the service worker that stores it for use without a network.
import { build } from 'esbuild';
import { createHash } from 'node:crypto';
import { copyFileSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { gzipSync } from 'node:zlib';
import { root, run } from './setup.mjs';

const folder = join(root, 'dist/app');
/** Files whose name changes with their content need no revision. */
const HASHED = /-[A-Z0-9]{8}\.(js|css|woff2)$/;
/** The page is stored by the service worker itself, with the policy it comes with; the worker is the browser's affair. */
const APART = new Set(['index.html', 'service-worker.js']);

function filesIn(path) {
  return readdirSync(path).flatMap((name) => {
    const inner = join(path, name);
    return statSync(inner).isDirectory() ? filesIn(inner) : [inner];
  });
}

/** Everything that was built, each with what changes when it changes. */
function stored() {
  const addresses = filesIn(folder)
    .map((path) => ({ path, address: relative(folder, path).replaceAll('\\', '/') }))
    .filter(({ address }) => !APART.has(address))
    .sort((a, b) => (a.address < b.address ? -1 : 1));
  const isSample = ({ address }) => address.startsWith('samples/');
  const files = addresses
    .filter((file) => !isSample(file))
    .map(({ path, address }) => ({
      url: `/${address.split('/').map(encodeURIComponent).join('/')}`,
      revision: HASHED.test(address) ? null : hashOf(readFileSync(path)),
    }));
  const samples = addresses
    .filter(isSample)
    .map(({ address }) => `/${address.split('/').map(encodeURIComponent).join('/')}`);
  return { files, samples };
}

/** Scripts and styles as the server sends them, packed beside what they are made of. */
function pack() {
  const hashed = readdirSync(folder).filter((name) => HASHED.test(name) && !name.endsWith('.woff2'));
  const engraver = readdirSync(join(folder, 'engraver')).map((name) => join('engraver', name));
  const packed = [...hashed, ...engraver];
  for (const name of packed) {
    const path = join(folder, name);
    writeFileSync(`${path}.gz`, gzipSync(readFileSync(path), { level: 9 }));
  }
}

function hashOf(content) {
  return createHash('sha256').update(content).digest('hex').slice(0, 16);
}

/** How what does not go through the application's own builder is bundled. */
const BUNDLED = { bundle: true, minify: true, target: 'es2022', logLevel: 'warning' };

/** The engraver as it comes, in files of its own, and the worker that loads it. */
async function addEngraver() {
  const out = join(folder, 'engraver');
  mkdirSync(out, { recursive: true });
  for (const name of ['verovio.mjs', 'verovio-module.mjs'])
    copyFileSync(join(root, 'node_modules/verovio/dist', name), join(out, name));
  const files = { esm: './verovio.mjs', wasm: './verovio-module.mjs' };
  await build({
    entryPoints: [join(root, 'app/engraver/worker.ts')],
    outfile: join(out, 'worker.js'),
    ...BUNDLED,
    format: 'esm',
    plugins: [
      {
        name: 'engraver apart',
        setup: ({ onResolve }) =>
          onResolve({ filter: /^verovio\// }, ({ path }) => ({
            path: files[path.split('/')[1]],
            external: true,
          })),
      },
    ],
  });
}

const status = run('npx', ['ng', 'build']);
if (status === 0) {
  await addEngraver();
  const { files, samples } = stored();
  const page = readFileSync(join(folder, 'index.html'));
  const version = hashOf(JSON.stringify({ files, samples, page: hashOf(page) }));
  await build({
    entryPoints: [join(root, 'app/offline/service-worker.ts')],
    outfile: join(folder, 'service-worker.js'),
    ...BUNDLED,
    format: 'iife',
    define: {
      FILES: JSON.stringify(files),
      SAMPLES: JSON.stringify(samples),
      VERSION: JSON.stringify(version),
      'process.env.NODE_ENV': '"production"',
    },
  });
  pack();
  console.log(`Stored for use without a network: ${files.length} files and ${samples.length} sounds.`);
}
process.exitCode = status;
