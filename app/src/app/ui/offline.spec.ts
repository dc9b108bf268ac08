import '@angular/compiler';
import { Injector } from '@angular/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Offline } from './offline';
import { Problems } from './problems';

type Told = (event: { data?: unknown }) => void;

describe('the application stored for use without a network', () => {
  const container = { on: new Map<string, Told>(), registered: [] as unknown[] };
  const registration = {
    waiting: null as { postMessage: (what: unknown) => void } | null,
    active: null as { postMessage: (what: unknown) => void } | null,
    installing: null as { addEventListener: (name: string, then: () => void) => void } | null,
    on: new Map<string, () => void>(),
    addEventListener(name: string, then: () => void) {
      this.on.set(name, then);
    },
  };
  const told: unknown[] = [];
  const listeners = new Map<string, (event: unknown) => void>();
  const worker = { postMessage: (what: unknown) => void told.push(what) };
  const reload = vi.fn();
  let problems: Problems;
  let offline: Offline;

  const begin = async (): Promise<void> => {
    offline.begin();
    await vi.advanceTimersByTimeAsync(6000);
  };
  beforeEach(() => {
    vi.useFakeTimers();
    container.on.clear();
    registration.on.clear();
    told.length = 0;
    reload.mockReset();
    Object.assign(registration, { waiting: null, active: worker, installing: null });
    vi.stubGlobal('navigator', {
      onLine: true,
      serviceWorker: {
        addEventListener: (name: string, then: Told) => void container.on.set(name, then),
        register: async (...how: unknown[]) => {
          container.registered = how;
          return registration;
        },
        ready: Promise.resolve(registration),
      },
    });
    vi.stubGlobal('location', { reload });
    listeners.clear();
    vi.stubGlobal('window', {
      addEventListener: (name: string, then: (event: unknown) => void) => void listeners.set(name, then),
    });
    const injector = Injector.create({ providers: [Problems, Offline] });
    problems = injector.get(Problems);
    offline = injector.get(Offline);
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('is stored a little after the first screen, its sounds last', async () => {
    offline.begin();
    await vi.advanceTimersByTimeAsync(4000);
    expect(told).toEqual([]);
    await vi.advanceTimersByTimeAsync(2000);
    expect(container.registered).toEqual(['/service-worker.js', { updateViaCache: 'none' }]);
    expect(told).toEqual(['store-sounds']);
    expect(offline.hasNewVersion()).toBe(false);
  });

  it('offers a version that waits beside one in use, and goes over to it only when asked', async () => {
    await begin();
    let changed: () => void = () => undefined;
    registration.installing = { addEventListener: (_, then) => (changed = then) };
    registration.on.get('updatefound')?.();
    changed();
    expect(offline.hasNewVersion()).toBe(false);
    registration.waiting = worker;
    changed();
    expect(offline.hasNewVersion()).toBe(true);
    // The first version, or another tab's doing: the page stays.
    container.on.get('controllerchange')?.({});
    expect(reload).not.toHaveBeenCalled();
    offline.take();
    expect(told).toEqual(['store-sounds', 'take-new-version']);
    expect(offline.hasNewVersion()).toBe(false);
    container.on.get('controllerchange')?.({});
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it('does not take the very first version for a new one', async () => {
    Object.assign(registration, { waiting: worker, active: null });
    await begin();
    expect(offline.hasNewVersion()).toBe(false);
  });

  it('says where there was no room for all sounds, and only then', async () => {
    await begin();
    const heard = (data: unknown) => container.on.get('message')?.({ data });
    for (const data of [
      null,
      'x',
      { kind: 'other' },
      { kind: 'sounds-stored', stored: 30, of: 30 },
      { kind: 'sounds-stored' },
    ])
      heard(data);
    expect(problems.sentence()).toBe(null);
    heard({ kind: 'sounds-stored', stored: 12, of: 30 });
    expect(problems.sentence()).toMatch(/^There is room for only 12 of 30 recorded sounds/);
  });

  it('works as it did in a browser that stores nothing', () => {
    vi.stubGlobal('navigator', {});
    expect(() => offline.begin()).not.toThrow();
    offline.take();
    expect(told).toEqual([]);
  });

  it('is installed when the pianist asks, once, and not by the browser of its own accord', async () => {
    await begin();
    const event = { preventDefault: vi.fn(), prompt: vi.fn(async () => undefined) };
    expect(offline.canInstall()).toBe(false);
    listeners.get('beforeinstallprompt')?.(event);
    expect([event.preventDefault.mock.calls.length, event.prompt.mock.calls.length]).toEqual([1, 0]);
    expect(offline.canInstall()).toBe(true);
    offline.install();
    offline.install();
    expect([event.prompt.mock.calls.length, offline.canInstall()]).toEqual([1, false]);
    listeners.get('beforeinstallprompt')?.(event);
    listeners.get('appinstalled')?.({});
    expect(offline.canInstall()).toBe(false);
  });
});
