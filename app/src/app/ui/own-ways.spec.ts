import '@angular/compiler';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inLength } from './lengths.pipe';
import { storedWays, Ways } from './own-ways';

const USUAL = {
  look: 'system',
  letters: 'usual',
  panel: 'right',
  noteNames: 'english',
  lengths: 'cm',
  midiOut: null,
};

describe('the ways of a device', () => {
  const kept = new Map<string, string>();
  const dataset: Record<string, string> = {};
  let isDark = false;
  let changed = (): void => undefined;
  let isBlocked = false;
  beforeEach(() => {
    kept.clear();
    [isDark, isBlocked] = [false, false];
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => {
        if (isBlocked) throw new Error('blocked');
        kept.set(key, value);
      },
    });
    vi.stubGlobal('matchMedia', () => ({
      get matches() {
        return isDark;
      },
      addEventListener: (_: string, listener: () => void) => (changed = listener),
    }));
    vi.stubGlobal('document', { documentElement: { dataset } });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('are the usual ones until they are changed, and those again the next time', () => {
    expect(storedWays()).toEqual(USUAL);
    const ways = new Ways();
    ways.begin();
    expect(dataset).toEqual({ look: 'light', letters: 'usual', panel: 'right' });
    expect(ways.change({ look: 'stage', panel: 'left', noteNames: 'german' })).toBe(true);
    expect(dataset).toEqual({ look: 'stage', letters: 'usual', panel: 'left' });
    expect(storedWays()).toEqual({ ...USUAL, look: 'stage', panel: 'left', noteNames: 'german' });
    expect(new Ways().now()).toEqual(storedWays());
  });

  it('follow the system where it may choose, and hold where nothing can be stored', () => {
    const ways = new Ways();
    ways.begin();
    isDark = true;
    changed();
    expect(dataset['look']).toBe('dark');
    isBlocked = true;
    expect(ways.change({ look: 'light' })).toBe(false);
    expect([dataset['look'], ways.now().look]).toEqual(['light', 'light']);
  });

  it('are the usual ones for whatever is stored that is none', () => {
    fc.assert(
      fc.property(fc.oneof(fc.json(), fc.string()), (text) => {
        kept.set('joined-hands-own-ways', text);
        expect(Object.keys(storedWays())).toEqual(Object.keys(USUAL));
      }),
    );
    kept.set('joined-hands-own-ways', '{"look":"pink","letters":"large","midiOut":7}');
    expect(storedWays()).toEqual({ ...USUAL, letters: 'large' });
  });

  it('tell lengths', () => {
    expect([164, 0, 27].map((mm) => inLength(mm, 'cm'))).toEqual(['16.4 cm', '0.0 cm', '2.7 cm']);
    expect([254, 164].map((mm) => inLength(mm, 'in'))).toEqual(['10.0 in', '6.5 in']);
  });
});
