// Tries to break the readers and everything after them: npm run break [-- --count 5000 --seed 1], on all processors.
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { damaged, type NamedBytes, wholeFiles } from './damage';
import { hostileFiles } from './hostile';
import { faultOf } from './tryFile';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '5000' },
    seed: { type: 'string', default: '1' },
    /** Which share of the files this process tries, "0/2": set for the processes that this one starts. */
    share: { type: 'string' },
  },
});
/** Slower than this, in milliseconds of processor time per megabyte (and never less than a megabyte's), is a fault. */
const SLOW_MS = 2000;

/** What each process may hold, in megabytes: a longest song needs less. */
const HEAP_MB = 400;

const ONE_LEVEL = [4, 7, 5, 2] as const;

interface Result {
  opened: number;
  refused: number;
  /** Milliseconds of processor time. */
  slowest: number;
  /** Megabytes. */
  memory: number;
  faults: { kind: string; count: number; first: string }[];
}

function tried(result: Result, file: NamedBytes, seed: number, what: string): void {
  const began = process.cpuUsage();
  // Every fifth at every level, the others on one.
  const { opened, fault } = faultOf(
    file,
    seed,
    seed % 5 === 0 ? undefined : [ONE_LEVEL[seed % ONE_LEVEL.length]],
  );
  const { user, system } = process.cpuUsage(began);
  const ms = (user + system) / 1000;
  result.slowest = Math.max(result.slowest, ms);
  if (opened) result.opened++;
  else result.refused++;
  // Opening a file is timed by itself where it is refused; an opened one is arranged at every level as well.
  const isSlow = !opened && ms > SLOW_MS * Math.max(1, file.bytes.length / 1024 / 1024);
  const told = fault ?? (isSlow ? `took ${Math.round(ms)} ms to be refused` : null);
  if (!told) return;
  const kind = told.replaceAll(/\d+/g, '#');
  const known = result.faults.find((other) => other.kind === kind);
  if (known) known.count++;
  else result.faults.push({ kind, count: 1, first: `${what}: ${told}` });
}

function shareTried(share: string): Result {
  const [mine, of] = share.split('/').map(Number);
  const isMine = (i: number): boolean => i % of === mine;
  const result: Result = { opened: 0, refused: 0, slowest: 0, memory: 0, faults: [] };
  for (const [i, file] of hostileFiles().entries())
    if (isMine(i)) tried(result, file, i, `hostile ${i} ${file.name}`);
  const whole = wholeFiles();
  const [count, from] = [Number(values.count), Number(values.seed)];
  for (let i = 0; i < count; i++) {
    const [seed, kind] = [from * 1_000_000 + i, i % whole.length];
    if (isMine(i))
      tried(result, damaged(whole[kind], seed), seed, `${whole[kind].name} ${kind} seed ${seed}`);
  }
  return { ...result, memory: process.memoryUsage().rss / 1024 / 1024 };
}

function inAnotherProcess(share: string): Promise<Result> {
  const started = spawn(
    process.execPath,
    [
      ...process.execArgv,
      `--max-old-space-size=${HEAP_MB}`,
      fileURLToPath(import.meta.url),
      ...process.argv.slice(2),
      '--share',
      share,
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  let told = '';
  started.stdout.on('data', (text: Buffer) => (told += text.toString()));
  return new Promise((resolve, reject) => {
    started.once('close', (code) =>
      code === 0
        ? resolve(JSON.parse(told) as Result)
        : reject(new Error(`Share ${share} ended with ${code}.`)),
    );
  });
}

if (values.share) console.log(JSON.stringify(shareTried(values.share)));
else {
  const began = performance.now();
  const processes = availableParallelism();
  const results = await Promise.all(
    Array.from({ length: processes }, (_, i) => inAnotherProcess(`${i}/${processes}`)),
  );
  const sum = (of: 'opened' | 'refused' | 'memory'): number =>
    results.reduce((all, each) => all + each[of], 0);
  const faults = results.flatMap((each) => each.faults);
  for (const { count, first } of faults) console.log(`${count} × ${first}`);
  const slowest = Math.max(...results.map((each) => each.slowest));
  console.log(
    `${sum('opened') + sum('refused')} files in ${Math.round((performance.now() - began) / 1000)} s: ${sum('opened')} opened, ${sum('refused')} refused, ${faults.length} kinds of faults; slowest ${Math.round(slowest)} ms of processor; memory ${Math.round(sum('memory'))} MB`,
  );
  process.exitCode = faults.length > 0 ? 1 : 0;
}
