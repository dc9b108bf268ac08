import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { PlaceActions, SongActions } from '../state/actions';
import { shownBy } from '../testing/shown';
import { Table } from '../testing/table';
import { BenchState } from './bench-state';

const [lanterns] = DEMO_SONGS;

describe('the open song as a bench shows it', () => {
  let table: Table;
  let bench: BenchState;
  beforeEach(() => {
    table = new Table(lanterns);
    bench = table.get(BenchState);
  });
  const place = () => table.state.place;

  it('begins on the first part with nothing selected', () => {
    expect(bench.part()?.number).toBe(1);
    expect(bench.change()).toBeNull();
    expect(bench.before()).toBeNull();
    expect(bench.changeIndex()).toBe(-1);
    expect(bench.changesInPart().map((c) => c.change.id)).toEqual(['c1', 'c2', 'c3', 'c4']);
    expect(bench.level()).toBe(4);
    expect(bench.levelRow().number).toBe(4);
  });

  it('selects a change and shows the part it lies in; an unknown one selects nothing', () => {
    bench.select('c6');
    expect(place()).toMatchObject({ part: 1, selected: 'c6' });
    expect([bench.before()?.change.id, bench.change()?.change.id]).toEqual(['c5', 'c6']);
    bench.select('nowhere');
    expect(place()).toMatchObject({ part: 1, selected: null });
    bench.select('c6');
    bench.select(null);
    expect(place().selected).toBeNull();
  });

  it('steps from change to change over the ends of parts, heard with the melody, and stops at the end', () => {
    bench.step(1);
    expect(place().selected).toBe('c1');
    expect(table.heard).toEqual([[48, 52, 57, 69]]);
    bench.step(-1);
    expect(place().selected).toBe('c1');
    bench.select('c4');
    bench.step(1);
    expect(place()).toMatchObject({ part: 1, selected: 'c5' });
    bench.select('c24');
    bench.step(1);
    expect(place().selected).toBe('c24');
  });

  it('goes to parts that exist', () => {
    bench.goToPart(5);
    expect(place()).toMatchObject({ part: 5, selected: null });
    bench.goToPart(6);
    bench.goToPart(-1);
    expect(place().part).toBe(5);
    bench.showTick(23039);
    expect(place().part).toBe(1);
    bench.showTick(23040);
    expect(place().part).toBe(2);
  });

  it('asks for the voicings of the change selected only where they are weighed', () => {
    bench.select('c2');
    table.settle();
    expect(table.questions).toEqual([]);
    bench.open.set(shownBy({ weighsVoicings: true }));
    table.settle();
    expect(table.questions).toEqual([{ kind: 'alternatives', changeId: 'c2' }]);
    expect(bench.alternatives().length).toBeGreaterThan(2);
    expect(bench.alternatives()[bench.chosenIndex()].voicing.keys).toEqual([48, 53, 57]);
    bench.select(null);
    table.settle();
    expect(bench.alternatives()).toEqual([]);
  });

  it('tries voicings round and round from the one in force, pins the one tried, releases it', () => {
    bench.open.set(shownBy({ weighsVoicings: true }));
    bench.select('c2');
    table.settle();
    const { length } = bench.alternatives();
    const from = bench.chosenIndex();
    bench.tryBy(1);
    expect(bench.tried()).toBe((from + 1) % length);
    bench.tryBy(-1);
    bench.tryBy(-1);
    expect(bench.tried()).toBe((from - 1 + length) % length);
    const { keys } = bench.alternatives()[bench.tried() as number].voicing;
    expect(table.heard.at(-1)).toEqual([...keys, 72]);
    bench.take();
    expect(table.edits).toEqual([{ kind: 'pin', pin: { changeId: 'c2', keys: [...keys], fingers: null } }]);
    table.settle();
    expect(bench.change()?.voicing.keys).toEqual(keys);
    expect(bench.tried()).toBeNull();
    bench.release();
    bench.release();
    expect(table.edits.slice(1)).toEqual([{ kind: 'unpin', changeId: 'c2' }]);
  });

  it('takes nothing when nothing is tried', () => {
    bench.open.set(shownBy({ weighsVoicings: true }));
    bench.select('c2');
    table.settle();
    bench.take();
    bench.take(99);
    expect(table.edits).toEqual([]);
    bench.take(0);
    expect(table.edits).toHaveLength(1);
  });

  it('steps to the first change when voicings are tried with none selected', () => {
    bench.tryBy(1);
    expect(place().selected).toBe('c1');
    bench.tryBy(1);
    expect(bench.tried()).toBeNull();
  });

  it('climbs to another level that is ready, once', () => {
    bench.climbTo(5);
    bench.climbTo(5);
    bench.climbTo(0);
    bench.climbTo(8);
    expect(table.edits).toEqual([{ kind: 'choose', choices: { level: 5 } }]);
  });

  it('settles the part on screen and opens it again', () => {
    bench.settle(true);
    expect(table.song.settled.map((s) => s.cutId)).toEqual([bench.part()?.cutId]);
    expect(bench.part()?.settled).toBe(true);
    bench.settle(false);
    expect(table.song.settled).toEqual([]);
  });

  it('undoes and redoes', () => {
    bench.choose({ level: 5 });
    const edited = table.song;
    bench.undo();
    expect(table.song).toBe(lanterns);
    bench.redo();
    expect(table.song).toBe(edited);
  });

  it('lets what needs the arrangement wait until that of the song as it is has come, in order', () => {
    const done: string[] = [];
    bench.whenArranged(() => done.push('at once'));
    table.isSlow = true;
    bench.choose({ level: 5 });
    bench.whenArranged(() => done.push('first'));
    bench.whenArranged(() => done.push('second'));
    table.settle();
    expect(done).toEqual(['at once']);
    table.arrange();
    table.settle();
    expect(done).toEqual(['at once', 'first', 'second']);
  });

  it('waits again when what waited edits the song', () => {
    table.isSlow = true;
    const levels: number[] = [];
    bench.choose({ level: 5 });
    bench.whenArranged(() => bench.choose({ level: 2 }));
    bench.whenArranged(() => levels.push(bench.level()));
    table.arrange();
    table.settle();
    expect(levels).toEqual([]);
    table.arrange();
    table.settle();
    expect(levels).toEqual([2]);
  });

  it('shows the findings and fills of the part on screen alone', () => {
    table = new Table({ ...DEMO_SONGS[3], choices: { ...DEMO_SONGS[3].choices, level: 7 } });
    bench = table.get(BenchState);
    const every = bench.arrangement()?.parts.map((_, index) => {
      bench.goToPart(index);
      return { findings: bench.findings(), fills: bench.fills() };
    });
    const { findings, fills } = bench.arrangement() ?? { findings: [], fills: [] };
    expect(every?.flatMap((p) => p.findings)).toEqual(findings);
    expect(every?.flatMap((p) => p.fills)).toEqual(fills);
    expect(findings.length + fills.length).toBeGreaterThan(0);
  });

  it('gives the same view again when the rest of the song follows, another when notes change', () => {
    const view = bench.view();
    expect(view).not.toBeNull();
    table.dispatch(PlaceActions.moved({ place: { tempoPercent: 80 } }));
    table.arrange();
    expect(bench.view()).toBe(view);
    table.dispatch(SongActions.edited({ edit: { kind: 'change-written', id: 'c2', symbol: 'Fmaj7' } }));
    expect(bench.view()).not.toBe(view);
  });
});
