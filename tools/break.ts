// Tries to break the readers and everything after them: npm run break [-- --count 5000 --seed 1].
import { parseArgs } from 'node:util';
import { damaged, type NamedBytes, wholeFiles } from './damage';
import { hostileFiles } from './hostile';
import { faultOf } from './tryFile';

const { values } = parseArgs({
  options: { count: { type: 'string', default: '5000' }, seed: { type: 'string', default: '1' } },
});
/** Slower than this, in milliseconds per megabyte (and never less than a megabyte's), is a fault. */
const SLOW_MS = 2000;

const ONE_RUNG = [4, 7, 5, 2] as const;

let [opened, refused, slowest] = [0, 0, 0];
const faults = new Map<string, { count: number; first: string }>();

function tried(file: NamedBytes, seed: number, what: string): void {
  const began = performance.now();
  // Every fifth on every rung, the others on one.
  const result = faultOf(file, seed, seed % 5 === 0 ? undefined : [ONE_RUNG[seed % ONE_RUNG.length]]);
  const ms = performance.now() - began;
  slowest = Math.max(slowest, ms);
  if (result.opened) opened++;
  else refused++;
  // Opening a file is timed by itself where it is refused; an opened one is arranged on every rung as well.
  const isSlow = !result.opened && ms > SLOW_MS * Math.max(1, file.bytes.length / 1024 / 1024);
  const fault = result.fault ?? (isSlow ? `took ${Math.round(ms)} ms to be refused` : null);
  if (!fault) return;
  const kind = fault.replaceAll(/\d+/g, '#');
  const known = faults.get(kind);
  if (known) known.count++;
  else faults.set(kind, { count: 1, first: `${what}: ${fault}` });
}

for (const [i, file] of hostileFiles().entries()) tried(file, i, `hostile ${i} ${file.name}`);
const whole = wholeFiles();
const [count, from] = [Number(values.count), Number(values.seed)];
for (let i = 0; i < count; i++) {
  const seed = from * 1_000_000 + i;
  tried(
    damaged(whole[i % whole.length], seed),
    seed,
    `${whole[i % whole.length].name} ${i % whole.length} seed ${seed}`,
  );
}
for (const { count: times, first } of faults.values()) console.log(`${times} × ${first}`);
const { rss } = process.memoryUsage();
console.log(
  `${opened + refused} files: ${opened} opened, ${refused} refused, ${faults.size} kinds of faults; slowest ${Math.round(slowest)} ms; memory ${Math.round(rss / 1024 / 1024)} MB`,
);
process.exitCode = faults.size > 0 ? 1 : 0;
