import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { applyEdit, type SongEdit } from '@joined-hands/core/song';
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

  it.each(DEMO_SONGS.map((song) => [song.title, song] as const))(
    'climbs to the level asked for in every part of %s, whatever was chosen for it before',
    (_, song) => {
      const parts = new Table(song).get(BenchState).arrangement()?.parts ?? [];
      for (const { number, cutId } of parts) {
        const before: SongEdit[][] = [
          [],
          [{ kind: 'choose-for-part', cutId, choices: { level: 5, pattern: 'pulse' } }],
          [{ kind: 'grown', cutId, choices: { level: 6 } }],
          parts.map((part) => ({ kind: 'choose-for-part', cutId: part.cutId, choices: { level: 3 } })),
        ];
        for (const edits of before) {
          const own = new Table(edits.reduce(applyEdit, song));
          const state = own.get(BenchState);
          state.goToPart(number - 1);
          const to = state.level() === 7 ? 2 : 7;
          state.climbTo(to);
          expect([number, state.level()]).toEqual([number, to]);
          // Given back, it is as the song.
          state.releaseChoices(true);
          expect(state.ownChoices()).toBeNull();
          expect(new Set(own.state.arrangement?.parts.map((part) => part.choices.level))).toEqual(
            new Set([own.song.choices.level]),
          );
        }
      }
    },
  );

  it('has what is chosen for the song in the part one looks at, also where that had its own; other parts keep theirs', () => {
    const [first, , third] = bench.arrangement()?.parts ?? [];
    for (const { cutId } of [first, third])
      bench.edit({ kind: 'choose-for-part', cutId, choices: { level: 5, pattern: 'pulse', pedal: 'none' } });
    bench.choose({ level: 6, fuller: 'above' });
    const now = bench.arrangement()?.parts ?? [];
    expect(now.map(({ choices }) => choices.level)).toEqual([6, 6, 5, 6, 6, 6]);
    expect([now[0].choices.pattern, now[0].choices.pedal, bench.ownChoices()?.names]).toEqual([
      'pulse',
      'none',
      ['pattern', 'pedal'],
    ]);
    bench.choose({ pattern: 'rocking' });
    expect(bench.part()?.choices.pattern).toBe('rocking');
    expect(bench.ownChoices()?.others).toEqual([3]);
  });

  it('says what the part on screen has of its own, and which others have something; gives it back one by one', () => {
    bench.edit({ kind: 'choose-for-part', cutId: 'cut0', choices: { level: 5, pattern: 'pulse' } });
    const third = bench.arrangement()?.parts[2].cutId ?? '';
    bench.edit({ kind: 'choose-for-part', cutId: third, choices: { pedal: 'none' } });
    const { names, others } = bench.ownChoices() ?? {};
    expect([names, others]).toEqual([['level', 'pattern'], [3]]);
    bench.goToPart(1);
    expect(bench.ownChoices()).toBeNull();
    bench.goToPart(0);
    bench.releaseChoices(false);
    expect([bench.ownChoices(), bench.level()]).toEqual([null, 4]);
    bench.goToPart(2);
    expect(bench.ownChoices()?.names).toEqual(['pedal']);
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
