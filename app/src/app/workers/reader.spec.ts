import '@angular/compiler';
import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FileReaderClient } from './reader';
import { Judge } from './judge';

/** Workers that answer here, or not at all; how many were made, and which were ended. */
const made: { readonly url: string; ended: boolean }[] = [];
const ports: MessagePort[] = [];
let answers: object = {};
class WorkerHere {
  constructor(url: URL) {
    const own = { url: url.pathname.split('/').at(-1) ?? '', ended: false };
    made.push(own);
    const { port1, port2 } = new MessageChannel();
    expose(answers, port2 as never);
    ports.push(port1, port2);
    return Object.assign(port1, { terminate: () => void (own.ended = true) }) as unknown as WorkerHere;
  }
}

beforeEach(() => {
  made.length = 0;
  vi.stubGlobal('Worker', WorkerHere);
});
afterEach(() => {
  for (const port of ports.splice(0)) port.close();
  vi.unstubAllGlobals();
});

describe('reading files in a worker of its own', () => {
  const asked: unknown[][] = [];
  let reader: FileReaderClient;
  beforeEach(() => {
    asked.length = 0;
    answers = {
      read: async (...all: unknown[]) => {
        asked.push(all);
        return { kind: 'refused', reason: 'It is empty.' };
      },
    };
    reader = new FileReaderClient();
  });
  const bytes = new Uint8Array([1, 2, 3]);

  it('hands over name, bytes and id, gives what was read, and ends the worker', async () => {
    await reader.read('b.txt', bytes, 's2', 'german', { chordBars: 2 });
    expect(asked.pop()).toEqual(['b.txt', bytes, 's2', 'german', { chordBars: 2 }]);
    made.pop();
    expect(await reader.read('a.mid', bytes, 's1')).toEqual({ kind: 'refused', reason: 'It is empty.' });
    expect(asked).toEqual([['a.mid', bytes, 's1', 'english', {}]]);
    expect(made).toEqual([{ url: 'read.worker', ended: true }]);
  });

  it('starts the worker before there is a file, once; the next file has another', async () => {
    reader.warm();
    reader.warm();
    expect(made).toHaveLength(1);
    await reader.read('a.mid', bytes, 's1');
    expect(made).toHaveLength(1);
    await reader.read('b.mid', bytes, 's2');
    expect(made.map(({ ended }) => ended)).toEqual([true, true]);
  });

  it('gives null for what was called off, and reads on with the next', async () => {
    let isHeld = true;
    const { read } = answers as { read: (...all: unknown[]) => Promise<unknown> };
    answers = {
      read: (...all: unknown[]) => (isHeld ? new Promise(() => undefined) : read(...all)),
    };
    const reading = reader.read('long.mid', bytes, 's1');
    reader.cancel();
    expect(await reading).toBeNull();
    expect(made[0].ended).toBe(true);
    isHeld = false;
    expect(await reader.read('b.mid', bytes, 's2')).toMatchObject({ kind: 'refused' });
    // Nothing is read now: nothing to call off.
    expect(() => reader.cancel()).not.toThrow();
  });

  it('says that the worker failed, and ends it', async () => {
    answers = {
      read: async () => {
        throw new Error('the file is on fire');
      },
    };
    await expect(reader.read('a.mid', bytes, 's1')).rejects.toThrow('the file is on fire');
    expect(made[0].ended).toBe(true);
  });
});

describe('judging takes in a worker of its own', () => {
  it('is started with the first take, and kept', async () => {
    const asked: unknown[][] = [];
    answers = {
      judge: async (...all: unknown[]) => {
        asked.push(all);
        return { keys: [], extra: [] };
      },
    };
    const judge = new Judge();
    expect(made).toEqual([]);
    const events = [{ seconds: 1, midi: 60, velocity: 80 }];
    expect(await judge.judge([], events, 0.6, false)).toEqual({ keys: [], extra: [] });
    await judge.judge([], [], 0.5, true);
    expect(asked).toEqual([
      [[], events, 0.6, false],
      [[], [], 0.5, true],
    ]);
    expect(made).toEqual([{ url: 'judge.worker', ended: false }]);
  });
});
