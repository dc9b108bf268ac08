import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { pressOn } from '../../testing/keys';
import { Table } from '../../testing/table';
import { PartsBehaviour } from './parts-behaviour';
import { PartsState } from './parts-state';

const [lanterns] = DEMO_SONGS;
const BAR = 2880;

describe('the cuts of the open song', () => {
  let table: Table;
  let parts: PartsState;
  beforeEach(() => {
    table = new Table(lanterns, PartsState, PartsBehaviour);
    parts = table.get(PartsState);
  });
  const begins = (): number[] => parts.bench.arrangement()?.parts.map((p) => p.fromTick) ?? [];
  const go = (index: number): void => {
    parts.bench.goToPart(index);
    table.settle();
  };

  it('puts the mark near the middle of the part, moves it from place to place, shows where it goes', () => {
    expect(parts.mark()).toBe(2 * BAR);
    const places = parts.places();
    expect(places).toEqual([...places].sort((a, b) => a - b));
    parts.moveMark(1);
    expect(parts.mark()).toBe(places.find((t) => t > 2 * BAR));
    parts.setMark(4 * BAR + 10);
    expect(parts.mark()).toBe(4 * BAR);
    expect(parts.bench.partIndex()).toBe(1);
    parts.moveMark(-1);
    expect(parts.bench.partIndex()).toBe(0);
    go(2);
    expect(parts.mark()).toBe(10 * BAR);
  });

  it('stops the mark at the ends', () => {
    parts.setMark(-5000);
    const first = parts.mark();
    parts.moveMark(-1);
    expect(parts.mark()).toBe(first);
  });

  it('splits at the mark and joins again', () => {
    parts.split();
    expect(begins()).toEqual([0, 2 * BAR, 4 * BAR, 8 * BAR, 12 * BAR, 16 * BAR, 20 * BAR]);
    go(0);
    parts.join();
    expect(begins()).toEqual([0, 4 * BAR, 8 * BAR, 12 * BAR, 16 * BAR, 20 * BAR]);
  });

  it('does not join the last part with anything', () => {
    go(5);
    parts.join();
    expect(table.edits).toEqual([]);
  });

  it('moves the cut at the beginning of the part from place to place, not that of the first', () => {
    parts.nudge(1);
    expect(table.edits).toEqual([]);
    go(1);
    parts.nudge(-1);
    const earlier = parts.places().findLast((t) => t < 4 * BAR);
    expect(begins()[1]).toBe(earlier);
    parts.nudge(1);
    expect(begins()[1]).toBe(4 * BAR);
  });

  it('drags a cut to the place nearest to where it is let go', () => {
    parts.drag(2, 7 * BAR + 100);
    expect(begins()[2]).toBe(7 * BAR);
  });

  it('waits for the arrangement before the next cut is made', () => {
    table.isSlow = true;
    parts.split();
    parts.split();
    expect(table.edits).toHaveLength(1);
    table.arrange();
    table.settle();
    expect(table.edits).toHaveLength(2);
  });

  it('locks a cut and frees it', () => {
    go(1);
    parts.lock();
    const locked = (): boolean | undefined => parts.bench.arrangement()?.parts[1].isLocked;
    expect(locked()).toBe(true);
    parts.lock();
    expect(locked()).toBe(false);
  });

  it('declares a part the same as another, frees it, and finds by itself which', () => {
    go(2);
    parts.toggleSame();
    expect(table.edits).toEqual([{ kind: 'same-as', cutId: 'cut23040', sameAs: 'cut11520' }]);
    expect(parts.bench.part()?.sharesWith).toBe(2);
    parts.toggleSame();
    expect(parts.bench.part()?.sharesWith).toBeNull();
    expect(table.edits.at(-1)).toEqual({ kind: 'same-as', cutId: 'cut23040', sameAs: 'cut23040' });
    go(0);
    parts.toggleSame();
    expect(table.edits).toHaveLength(2);
  });

  it('names a part, once, and takes the name away', () => {
    parts.rename('');
    parts.rename('Opening');
    parts.rename('Opening');
    parts.rename('x'.repeat(100));
    parts.rename('');
    expect(table.edits).toEqual([
      { kind: 'part-named', cutId: 'cut0', name: 'Opening' },
      { kind: 'part-named', cutId: 'cut0', name: 'x'.repeat(80) },
      { kind: 'part-named', cutId: 'cut0', name: null },
    ]);
  });

  it('chooses for the part and those that follow it; what is its own stays its own', () => {
    go(3);
    parts.choose({ level: 5 });
    parts.choose({ octaveShift: 1 });
    parts.choose({ octaveShift: 1, level: 2 });
    expect(table.edits).toEqual([
      { kind: 'choose-for-part', cutId: 'cut0', choices: { level: 5 } },
      { kind: 'choose-for-part', cutId: 'cut34560', choices: { octaveShift: 1 } },
      { kind: 'choose-for-part', cutId: 'cut0', choices: { octaveShift: 1, level: 2 } },
    ]);
  });

  it('divides anew', () => {
    parts.divide({ size: 'short' } as never);
    expect(table.edits).toEqual([{ kind: 'division-chosen', division: { size: 'short' } }]);
  });

  it('knows the section a part lies in, begins, changes and removes one in the order of time', () => {
    go(1);
    expect(parts.section()?.name).toBe('Verse');
    expect(parts.canBeginSection()).toBe(true);
    parts.beginSection();
    expect(parts.canBeginSection()).toBe(false);
    expect(table.song.sections.map((s) => s.tick)).toEqual([0, 11520, 23040, 34560, 57600]);
    parts.changeSection({ name: 'Answer', energy: 4 });
    expect(parts.section()).toMatchObject({ tick: 11520, name: 'Answer', energy: 4 });
    go(0);
    expect(parts.section()?.name).toBe('Verse');
    go(1);
    parts.removeSection();
    expect(table.song.sections).toEqual(lanterns.sections);
  });

  it('proposes sections from the form', () => {
    parts.proposeSections();
    expect(table.edits).toMatchObject([{ kind: 'sections-set', what: 'proposed sections' }]);
    expect(table.song.sections[0].tick).toBe(0);
  });

  it('plays from the mark by its key', () => {
    pressOn(table.get(PartsBehaviour), 'p');
    expect(table.plays).toMatchObject([{ fromTick: 2 * BAR, toTick: 69120 }]);
  });
});
