import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Guide } from './guide';
import { GUIDE_STEPS, type Seen } from './guide-steps';

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

  it('has a step done when what it asks for was done, and not before', () => {
    const begun: Seen = { part: 0, hands: 'left', isPlaying: false, level: 4, pins: 1 };
    const done = (now: Partial<Seen>) => GUIDE_STEPS.map(({ isDone }) => isDone({ ...begun, ...now }, begun));
    const only = (...steps: number[]) => GUIDE_STEPS.map((_, i) => steps.includes(i));
    expect(done({})).toEqual(only());
    expect(done({ part: 1 })).toEqual(only(0));
    expect(done({ hands: 'right' })).toEqual(only());
    expect(done({ hands: 'right', isPlaying: true })).toEqual(only(1, 5));
    expect(done({ pins: 2 })).toEqual(only(2));
    expect(done({ hands: 'both', isPlaying: true })).toEqual(only(3, 5));
    expect(done({ level: 5, isPlaying: true })).toEqual(only(4, 5));
  });

  it('ends with the ways to a song of one’s own, once', () => {
    const guide = new Guide();
    guide.walk();
    for (const _ of GUIDE_STEPS) {
      expect(guide.isEnding()).toBe(false);
      guide.go(1);
    }
    expect(guide.isEnding()).toBe(true);
    expect(new Guide().isEnding()).toBe(false);
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
