import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Guide } from './guide';
import { GUIDE_STEPS } from './guide-steps';

describe('the tour', () => {
  const kept = new Map<string, string>();
  beforeEach(() => {
    kept.clear();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    });
  });
  afterEach(() => vi.unstubAllGlobals());
  const stand = (guide: Guide) => [guide.isOffered(), guide.isLeft(), guide.at(), guide.next()];

  it('is offered on the first visit, walked step by step to its end, and then offered no more', () => {
    const guide = new Guide();
    expect(stand(guide)).toEqual([true, false, null, 0]);
    guide.go(1);
    expect(guide.at()).toBe(null);
    guide.walk();
    expect(guide.step()).toBe(GUIDE_STEPS[0]);
    guide.go(-1);
    expect(guide.at()).toBe(0);
    const addresses = GUIDE_STEPS.map(() => {
      const address = guide.address().join('/');
      guide.go(1);
      return address;
    });
    expect(addresses).toEqual(
      ['parts', 'tune', 'chords', '', '', 'practise'].map((bench) =>
        ['/song', 'demo-lanterns', ...(bench ? [bench] : [])].join('/'),
      ),
    );
    expect(stand(guide)).toEqual([false, false, null, 0]);
    expect(stand(new Guide())).toEqual([false, false, null, 0]);
  });

  it('is left at any time and taken up again, also after the page was closed in the middle of it', () => {
    const guide = new Guide();
    guide.walk();
    guide.go(1);
    guide.go(1);
    expect(stand(new Guide())).toEqual([false, true, null, 2]);
    guide.leave();
    expect(stand(guide)).toEqual([false, true, null, 2]);
    const again = new Guide();
    again.walk();
    expect(again.at()).toBe(2);
    again.decline();
    expect(stand(again)).toEqual([false, false, null, 0]);
    expect(stand(new Guide())).toEqual([false, false, null, 0]);
  });

  it('begins anew where what was kept is none', () => {
    for (const wrong of [
      '{',
      '3',
      '{"kind":"walking","step":99}',
      '{"kind":"left","step":-1}',
      '{"kind":"left"}',
    ]) {
      kept.set('joined-hands-guide', wrong);
      expect([wrong, ...stand(new Guide())]).toEqual([wrong, true, false, null, 0]);
    }
    vi.stubGlobal('localStorage', {
      getItem: () => {
        throw new Error('not allowed');
      },
      setItem: () => {
        throw new Error('not allowed');
      },
    });
    const guide = new Guide();
    guide.walk();
    expect(guide.at()).toBe(0);
  });
});
