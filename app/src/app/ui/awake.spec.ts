import { afterEach, describe, expect, it, vi } from 'vitest';
import { keepAwake } from './awake';

describe('a screen kept awake', () => {
  afterEach(() => vi.unstubAllGlobals());
  const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

  it('is asked for at once and whenever the page comes back, and let go at the end, late answers too', async () => {
    let [asked, released] = [0, 0];
    const page = new EventTarget() as EventTarget & { visibilityState: string };
    page.visibilityState = 'visible';
    vi.stubGlobal('document', page);
    const request = async () => {
      asked++;
      return { release: async () => void released++ };
    };
    vi.stubGlobal('navigator', { wakeLock: { request } });
    const end = keepAwake();
    await settled();
    page.visibilityState = 'hidden';
    page.dispatchEvent(new Event('visibilitychange'));
    expect(asked).toBe(1);
    page.visibilityState = 'visible';
    page.dispatchEvent(new Event('visibilitychange'));
    await settled();
    expect([asked, released]).toEqual([2, 0]);
    end();
    page.dispatchEvent(new Event('visibilitychange'));
    expect([asked, released]).toEqual([2, 1]);
    // The answer comes after the end.
    keepAwake()();
    await settled();
    expect([asked, released]).toEqual([3, 2]);
  });

  it('is left to the system where the browser cannot, or refuses', async () => {
    vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'visible' }));
    vi.stubGlobal('navigator', {});
    keepAwake()();
    vi.stubGlobal('navigator', { wakeLock: { request: () => Promise.reject(new Error('low battery')) } });
    const end = keepAwake();
    await settled();
    expect(end).not.toThrow();
  });
});
