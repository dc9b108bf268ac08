import '@angular/compiler';
import { describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { askedBy, NOWHERE, press } from '../../testing/keys';
import { Table } from '../../testing/table';
import { ChordsBehaviour } from './chords-behaviour';
import { ChordsState } from './chords-state';

describe('the Chords bench in the frame', () => {
  const table = new Table(DEMO_SONGS[0], ChordsState, ChordsBehaviour);
  const chords = table.get(ChordsState);
  const behaviour = table.get(ChordsBehaviour);

  it('obeys each of its keys', () => {
    const keys = ['n', 'p', 't', 'u', 'd', 'x', 'g', 'e', 'c', ',', '.', '<', '>', 'z'];
    const half = [
      ['ArrowUp', { shiftKey: true }],
      ['ArrowDown', { shiftKey: true }],
    ] as const;
    expect(askedBy(behaviour, chords, [...keys, ...half])).toEqual([
      ['hearNext', 1],
      ['hearNext', -1],
      ['takeHeard'],
      ['ladder', -1],
      ['ladder', 1],
      ['leaveOut'],
      ['buildOn'],
      ['respell'],
      ['suggest', 'gaps'],
      ['moveBy', -1, 'half'],
      ['moveBy', 1, 'half'],
      ['moveBy', -1, 'beat'],
      ['moveBy', 1, 'beat'],
      null,
      ['halfStep', 1],
      ['halfStep', -1],
    ]);
  });

  it('goes to the field of the chord to write it', () => {
    vi.useFakeTimers({ toFake: ['setTimeout'] });
    const focus = vi.fn();
    vi.stubGlobal('document', { getElementById: (id: string) => (id === 'symbol' ? { focus } : null) });
    chords.tab.set('voicing');
    behaviour.readKey(press('w'), NOWHERE, true)?.();
    expect(chords.tab()).toBe('chord');
    // Once the panel is there.
    expect(focus).not.toHaveBeenCalled();
    vi.runAllTimers();
    expect(focus).toHaveBeenCalledOnce();
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });

  it('weighs voicings, selects chords, and asks while it is open', () => {
    expect([behaviour.weighsVoicings, behaviour.selectsChanges(), behaviour.showsMelodyOnly]).toEqual([
      true,
      true,
      false,
    ]);
    expect(behaviour.isOpen).toBe(chords.isOpen);
  });
});
