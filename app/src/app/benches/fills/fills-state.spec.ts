import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { askedBy, pressOn } from '../../testing/keys';
import { Table } from '../../testing/table';
import { FillsBehaviour } from './fills-behaviour';
import { FillsState } from './fills-state';

const [lanterns] = DEMO_SONGS;

describe('the Fills bench', () => {
  let table: Table;
  let fills: FillsState;
  const open = (level = 7, song = lanterns): void => {
    table = new Table({ ...song, choices: { ...song.choices, level } }, FillsState, FillsBehaviour);
    fills = table.get(FillsState);
    fills.isOpen.set(true);
    table.settle();
  };
  const go = (changeId: string): void => {
    fills.bench.select(changeId);
    table.settle();
  };
  beforeEach(() => open());

  it('goes up to the level of fills where there are none', () => {
    open(4);
    expect([fills.isProposed(), fills.spots()]).toEqual([false, []]);
    fills.goUp();
    expect(table.edits).toEqual([{ kind: 'choose', choices: { level: 7 } }]);
    expect(fills.isProposed()).toBe(true);
  });

  it('marks chords with room on the seam, full where something is filled in', () => {
    const marks = [...fills.places()];
    expect(marks.map(([id]) => id)).toEqual(['c1', 'c2', 'c3', 'c4']);
    expect(marks.map(([, isFilled]) => isFilled)).toEqual(
      fills.spots().map((spot) => spot.fills.some((f) => f.taken)),
    );
    expect(table.get(FillsBehaviour).places()).toBe(fills.places());
  });

  it('goes from place to place, round and round', () => {
    const seen = [1, 1, 1, 1, 1, -1].map((by) => {
      fills.spotBy(by as 1);
      table.settle();
      return fills.bench.selectedId();
    });
    expect(seen).toEqual(['c1', 'c2', 'c3', 'c4', 'c1', 'c4']);
    open();
    fills.spotBy(-1);
    expect(fills.bench.selectedId()).toBe('c4');
  });

  it('hears the next proposal in its place, from the bar before, without taking it', async () => {
    go('c4');
    fills.tryBy(1);
    await Promise.resolve();
    expect(fills.tried()).toBe(1);
    expect(table.edits).toEqual([]);
    const fill = fills.spot()?.fills[1];
    expect(table.questions.at(-1)).toMatchObject({ kind: 'trial', edit: { kind: 'together' } });
    expect(JSON.stringify(table.questions.at(-1))).toContain(fill?.id);
    await new Promise((resolve) => setTimeout(resolve));
    expect(table.plays.at(-1)).toMatchObject({ fromTick: 5760, toTick: 14400 });
    fills.tryBy(-1);
    fills.tryBy(-1);
    expect(fills.tried()).toBe((fills.spot()?.fills.length ?? 0) - 1);
  });

  it('takes what was heard; another for the same hand makes room; leaving out declines', () => {
    go('c4');
    const of = (kind: string) => fills.spot()?.fills.find((fill) => fill.kind === kind);
    const run = of('run');
    if (!run) throw new Error('there is a run');
    fills.take(run);
    expect(table.song.fillsTaken.map(({ id }) => id)).toEqual([run.id]);
    const turn = of('turn');
    if (!turn) throw new Error('there is a turn');
    fills.take(turn);
    expect(table.song.fillsTaken.map(({ id }) => id)).toEqual([turn.id]);
    expect(of('turn')?.taken).toBe(true);
    fills.leaveOut(of('turn'));
    expect([table.song.fillsTaken, table.song.fillsDeclined]).toEqual([[], [turn.id]]);
    expect(of('turn')?.taken).toBe(false);
  });

  it('sets aside only what was taken for the same hand over the same chord', () => {
    const taken = (): string[] => table.song.fillsTaken.map(({ id }) => id);
    const of = (place: string, hand: 'right' | 'left', at = 0) => {
      go(place);
      const fill = fills.spot()?.fills.filter((f) => f.hand === hand && f.changeId === place)[at];
      if (!fill) throw new Error(`no fill of the ${hand} hand over ${place}`);
      return fill;
    };
    const places = fills.spots().flatMap(({ fills: all }) => all.map(({ changeId }) => changeId));
    const both = [...new Set(places)].filter((place) =>
      ['right', 'left'].every((hand) =>
        fills.spots().some((s) => s.fills.some((f) => f.hand === hand && f.changeId === place)),
      ),
    );
    const [here] = both;
    const other = [...new Set(places)].find((place) => place !== here) ?? '';
    const left = of(here, 'left');
    fills.take(left);
    const right = of(here, 'right');
    fills.take(right);
    expect(taken()).toEqual([left.id, right.id]);
    go(other);
    const elsewhere = fills.spot()?.fills.find(({ changeId }) => changeId === other);
    if (!elsewhere) throw new Error('nothing elsewhere');
    fills.take(elsewhere);
    expect(taken()).toEqual([left.id, right.id, elsewhere.id]);
    const second = of(here, right.hand, 1);
    fills.take(second);
    expect(taken()).toEqual([left.id, elsewhere.id, second.id]);
    // Taken once more nothing changes.
    fills.take(second);
    expect(taken()).toEqual([left.id, elsewhere.id, second.id]);
  });

  it('takes one everywhere it fits, or this time only', () => {
    go('c4');
    const walk = fills.spot()?.fills.find(({ kind }) => kind === 'walk');
    if (!walk) throw new Error('there is a walk');
    expect(fills.likeIt(walk)).toBe(5);
    expect(fills.passes(walk)).toEqual(['walk:c16']);
    fills.takeThisTime(walk);
    expect([table.song.fillsTaken.map(({ id }) => id), table.song.fillsDeclined]).toEqual([
      ['walk:c4'],
      ['walk:c16'],
    ]);
    fills.takeEverywhere(walk);
    expect(table.song.fillsTaken).toHaveLength(5);
    expect(table.song.fillsDeclined).toEqual([]);
  });

  it('changes a note of a fill that is played; what has no room is refused and said', () => {
    go('c4');
    const walk = () => fills.spot()?.fills.find((fill) => fill.kind === 'walk');
    const first = walk();
    if (!first) throw new Error('there is a walk');
    fills.take(first);
    fills.changeNote(first, 0, 'down');
    expect(walk()?.isOwn).toBe(true);
    expect(table.song.fillsTaken[0].notes?.map(({ pitch }) => pitch.letter)).toEqual(['F', 'G']);
    expect(fills.noteAt()).toBe(0);
    const now = walk();
    if (now) fills.changeNote(now, 0, 'again');
    expect(fills.notice()).toMatch(/^There is no room/);
    expect(table.song.fillsTaken[0].notes).toHaveLength(2);
    fills.bench.undo();
    expect(walk()?.isOwn).toBe(false);
    // Another place begins anew.
    go('c1');
    expect([fills.notice(), fills.noteAt(), fills.tried()]).toEqual(['', null, 0]);
  });

  it('goes through places and proposals by its keys, at the places alone', () => {
    const behaviour = table.get(FillsBehaviour);
    const keys = ['ArrowRight', 'ArrowLeft', 'ArrowDown', 'ArrowUp', 'Enter', 'Delete', 'Backspace', '1'];
    expect(askedBy(behaviour, fills, keys)).toEqual([
      ['spotBy', 1],
      ['spotBy', -1],
      ['tryBy', 1],
      ['tryBy', -1],
      ['take'],
      ['leaveOut'],
      ['leaveOut'],
      null,
    ]);
    for (const [key, tab] of [...'mfgw'].map((k, i) => [k, ['version', 'frame', 'grow', 'places'][i]])) {
      pressOn(behaviour, key);
      expect(fills.tab()).toBe(tab);
      expect(pressOn(behaviour, 'ArrowRight')).toBe(tab === 'places');
    }
  });

  it('obeys its keys, and leaves a settled part alone', () => {
    pressOn(table.get(FillsBehaviour), 'm');
    expect(fills.tab()).toBe('version');
    table.get(FillsBehaviour).leave();
    expect(fills.tab()).toBe('places');
    pressOn(table.get(FillsBehaviour), 'ArrowRight');
    table.settle();
    expect(fills.bench.selectedId()).toBe('c1');
    expect(table.get(FillsBehaviour).pressChange('c4')).toBe(true);
    table.settle();
    pressOn(table.get(FillsBehaviour), 'Enter');
    expect(table.song.fillsTaken).toHaveLength(1);
    pressOn(table.get(FillsBehaviour), 'Delete');
    expect(table.song.fillsDeclined).toHaveLength(1);
    fills.bench.settle(true);
    const before = table.edits.length;
    pressOn(table.get(FillsBehaviour), 'Enter');
    pressOn(table.get(FillsBehaviour), 'Delete');
    expect(table.edits).toHaveLength(before);
  });
});
