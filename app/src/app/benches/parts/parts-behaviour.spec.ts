import '@angular/compiler';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { askedBy, NOWHERE, press } from '../../testing/keys';
import { Table } from '../../testing/table';
import { PartsBehaviour } from './parts-behaviour';
import { PartsState } from './parts-state';

describe('the Parts bench in the frame', () => {
  let table: Table;
  let parts: PartsState;
  let behaviour: PartsBehaviour;
  beforeEach(() => {
    table = new Table(DEMO_SONGS[0], PartsState, PartsBehaviour);
    parts = table.get(PartsState);
    behaviour = table.get(PartsBehaviour);
  });
  const key = (name: string): void => {
    behaviour.readKey(press(name), NOWHERE, true)?.();
    table.settle();
  };

  it('obeys each of its keys', () => {
    const shifted = [
      ['ArrowRight', { shiftKey: true }],
      ['ArrowLeft', { shiftKey: true }],
    ] as const;
    const keys = ['ArrowRight', 'ArrowLeft', ...shifted, ',', '.', 'x', 'j', 'k', 'm', 'y'];
    expect(askedBy(behaviour, parts, keys)).toEqual([
      ['step', 1],
      ['step', -1],
      ['nudge', 1],
      ['nudge', -1],
      ['moveMark', -1],
      ['moveMark', 1],
      ['split'],
      ['join'],
      ['lock'],
      ['toggleSame'],
      null,
    ]);
  });

  it('plays the tune of the part that comes again an octave higher, its first time as it was', () => {
    const octaves = (): unknown[] =>
      [0, 3].map((at) => table.state.arrangement?.parts[at].choices.octaveShift);
    parts.bench.goToPart(3);
    table.settle();
    for (const name of ['u', 'u']) key(name);
    expect([octaves(), table.edits.length]).toEqual([[0, 1], 1]);
    // A repeat that is varied keeps what else varies it.
    const cutId = parts.bench.part()?.cutId ?? '';
    parts.bench.edit({ kind: 'grown', cutId, choices: { level: 6, octaveShift: 1 } });
    table.settle();
    key('d');
    expect(octaves()).toEqual([0, 0]);
    expect(table.state.arrangement?.parts[3].choices.level).toBe(6);
  });

  it('settles the part on screen and opens it again', () => {
    key('e');
    expect(parts.bench.part()?.settled).toBe(true);
    key('e');
    expect(parts.bench.part()?.settled).toBe(false);
    expect(table.edits.map(({ kind }) => kind)).toEqual(['settle', 'unsettle']);
  });

  it('plays from the mark on, without one from where the part begins', () => {
    const from = vi.spyOn(parts.playing, 'playFrom').mockResolvedValue(undefined as never);
    parts.bench.goToPart(1);
    table.settle();
    const begin = parts.bench.part()?.fromTick ?? NaN;
    const mark = parts.mark() ?? begin;
    key('p');
    key('.');
    key('p');
    expect(from.mock.calls.map(([tick]) => tick)).toEqual([mark, parts.mark()]);
    expect(parts.mark()).toBeGreaterThan(begin);
  });

  it('goes to the field of the name', () => {
    vi.useFakeTimers({ toFake: ['setTimeout'] });
    const focus = vi.fn();
    vi.stubGlobal('document', { getElementById: (id: string) => (id === 'part-name' ? { focus } : null) });
    parts.tab.set('sections');
    key('n');
    vi.runAllTimers();
    expect([parts.tab(), focus.mock.calls.length]).toEqual(['part', 1]);
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });
});
