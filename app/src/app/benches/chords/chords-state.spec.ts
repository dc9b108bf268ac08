import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { Table } from '../../testing/table';
import { ChordsState } from './chords-state';

const [lanterns, sluicegate] = DEMO_SONGS;

describe('the chords of the open song', () => {
  let table: Table;
  let chords: ChordsState;
  const open = (song = lanterns): void => {
    table = new Table(song, ChordsState);
    chords = table.get(ChordsState);
    chords.isOpen.set(true);
    table.settle();
  };
  beforeEach(() => open());
  const select = (id: string): void => {
    chords.bench.select(id);
    table.settle();
  };
  const kinds = (): string[] => table.questions.map((q) => q.kind);

  it('writes a chord in the place of the one selected, in one spelling', () => {
    expect(chords.write('F')).toBe(false);
    select('c2');
    expect(chords.write('Fmaj7')).toBe(true);
    expect(table.edits).toEqual([{ kind: 'change-written', id: 'c2', symbol: 'Fmaj7' }]);
    expect(chords.notice()).toBe('');
  });

  it('says what is wrong with a chord that cannot be read and writes nothing; a good one takes it back', () => {
    select('c2');
    expect(chords.write('H?')).toBe(false);
    expect(chords.notice()).not.toBe('');
    expect(table.edits).toEqual([]);
    chords.write('F');
    expect(chords.notice()).toBe('');
  });

  it('climbs the ladder of sevenths and says where it ends', () => {
    select('c4');
    chords.ladder(1);
    expect(table.edits).toEqual([{ kind: 'change-written', id: 'c4', symbol: 'Em7' }]);
    for (let i = 0; i < 4; i++) chords.ladder(1);
    expect(chords.change()?.change.symbol).toBe('Edim7');
    expect(chords.notice()).toMatch(/^It goes no further/);
    expect(table.heard.length).toBeGreaterThan(0);
  });

  it('moves the whole chord by half steps in the spelling of the key', () => {
    select('c1');
    chords.halfStep(1);
    chords.halfStep(-1);
    chords.halfStep(-1);
    expect(table.edits.map((e) => 'symbol' in e && e.symbol)).toEqual(['Bbm', 'Am', 'G#m']);
  });

  it('writes a chord by its other name and leaves its pin', () => {
    const sharp = { ...lanterns, changes: lanterns.changes.map((c) => ({ ...c, symbol: 'C#m/G#' })) };
    open({ ...sharp, pins: [{ changeId: 'c2', keys: [44, 49, 52], fingers: null }] });
    select('c2');
    expect(chords.otherSymbol()).toBe('Dbm/Ab');
    chords.respell();
    expect(chords.bench.song()?.changes[1].symbol).toBe('Dbm/Ab');
    expect(chords.bench.song()?.pins).toHaveLength(1);
    const named = (symbol: string): string | null => {
      open({ ...lanterns, changes: lanterns.changes.map((c) => ({ ...c, symbol })) });
      select('c2');
      return chords.otherSymbol();
    };
    expect(['C#m', 'C#m/E', 'Db/Ab', 'F#7', 'D/F#'].map(named)).toEqual([
      'Dbm',
      'Dbm/E',
      'C#/G#',
      'Gb7',
      null,
    ]);
    open();
    select('c3');
    expect([chords.change()?.change.symbol, chords.otherSymbol()]).toEqual(['Dm', null]);
    chords.respell();
    expect(table.edits).toEqual([]);
  });

  it('moves a change by half a beat or a whole one, and says when there is no room', () => {
    select('c2');
    chords.moveBy(1, 'half');
    chords.moveBy(1, 'beat');
    expect(table.song.changes[1]).toMatchObject({ id: 'c2', tick: 2880 + 480 + 960 });
    select('c1');
    chords.moveBy(-1, 'half');
    expect(chords.notice()).toBe('There is no room to move it further.');
    expect(table.edits).toHaveLength(2);
  });

  it('splits a chord in the middle, on a half beat, keeping its symbol', () => {
    select('c2');
    chords.split();
    expect(table.song.changes.slice(1, 3).map((c) => [c.tick, c.length, c.symbol])).toEqual([
      [2880, 1440, 'F'],
      [4320, 1440, 'F'],
    ]);
  });

  it('leaves a chord out; the one before sounds on', () => {
    select('c2');
    chords.leaveOut();
    expect(table.song.changes.slice(0, 2).map((c) => [c.id, c.length])).toEqual([
      ['c1', 5760],
      ['c3', 2880],
    ]);
  });

  it('writes a row of chords from the first bar line of the part on, and bars where they are wanting, as one step', () => {
    open({ ...sluicegate, changes: [] });
    expect([chords.rowFrom(), chords.writeRow('G', 1)]).toEqual([1, '']);
    expect(table.song.changes.map((c) => [c.tick, c.symbol])).toEqual([[960, 'G']]);
    expect(chords.writeRow('nothing', 1)).toMatch(/^"nothing" is not a chord/);
    expect(table.edits).toHaveLength(1);
    chords.bench.goToPart(1);
    const part = chords.bench.part();
    expect([chords.rowFrom(), part?.fromBar]).toEqual([5, 5]);
    expect(chords.writeRow('| C | D |', 16)).toBe('');
    expect([table.song.barCount, table.song.changes.at(-1)?.symbol, table.edits.length]).toEqual([
      17,
      'D',
      2,
    ]);
  });

  it('suggests for the change selected only while the bench is open, and forgets it for another', () => {
    chords.isOpen.set(false);
    select('c2');
    expect(kinds()).toEqual([]);
    chords.isOpen.set(true);
    table.settle();
    expect(table.questions).toEqual([
      { kind: 'suggestions', changeId: 'c2', taste: 'sevenths', triads: true },
    ]);
    const first = chords.suggestions();
    expect(first.length).toBeGreaterThan(2);
    chords.bench.select('c3');
    expect(chords.suggestions()).toEqual([]);
    table.settle();
    expect(chords.suggestions()).not.toBe(first);
  });

  const otherSuggestions = () =>
    chords.suggestions().filter(({ symbol }) => symbol !== chords.change()?.change.symbol);

  it('hears the suggestions round and round and takes the one heard', () => {
    select('c2');
    // What is played already is passed over.
    const others = otherSuggestions();
    expect(others.length).toBe(chords.suggestions().length - 1);
    const heard = (): number => others.indexOf(chords.suggestions()[chords.heard() ?? -1]);
    chords.hearNext(1);
    expect(heard()).toBe(0);
    chords.hearNext(-1);
    expect(heard()).toBe(others.length - 1);
    chords.hearNext(1);
    chords.hearNext(1);
    expect(heard()).toBe(1);
    const { symbol } = others[1];
    expect(chords.notice()).toBe(`${symbol}, 2 of ${others.length}. T takes it.`);
    chords.takeHeard();
    expect(table.song.changes[1].symbol).toBe(symbol);
    expect(chords.heard()).toBeNull();
    chords.takeHeard();
    expect(table.edits).toHaveLength(1);
  });

  it('remembers steps asked for while the suggestions are still being weighed', () => {
    chords.bench.select('c2');
    chords.hearNext(1);
    chords.hearNext(1);
    chords.hearNext(1);
    expect(chords.heard()).toBeNull();
    table.settle();
    expect(chords.suggestions()[chords.heard() ?? -1]).toBe(otherSuggestions()[2]);
  });

  it('takes what was asked for while they were still being weighed', () => {
    chords.bench.select('c2');
    chords.hearNext(1);
    chords.takeHeard();
    expect(table.edits).toEqual([]);
    table.settle();
    const wanted = otherSuggestions();
    expect(table.edits).toHaveLength(1);
    expect(table.song.changes[1].symbol).not.toBe(lanterns.changes[1].symbol);
    expect(wanted.map(({ symbol }) => symbol)).not.toContain(table.song.changes[1].symbol);
  });

  it('hears from the last when the first step goes back', () => {
    select('c2');
    chords.hearNext(-1);
    expect(chords.suggestions()[chords.heard() ?? -1]).toBe(otherSuggestions().at(-1));
  });

  it('begins at the first chord when none is selected', () => {
    chords.hearNext(1);
    expect(chords.bench.selectedId()).toBe('c1');
  });

  it('compares the voicing styles for the song or the part, while they are looked at', () => {
    chords.tab.set('voicing');
    table.settle();
    expect(table.questions).toEqual([{ kind: 'layouts', cutId: null }, { kind: 'proof' }]);
    expect(chords.proof()).toMatchObject({ ours: 79, least: 75, forSharing: 1, byPins: 0 });
    expect(chords.costs()?.length).toBeGreaterThan(5);
    chords.forPart.set(true);
    table.settle();
    expect(table.questions[2]).toEqual({ kind: 'layouts', cutId: 'cut0' });
    chords.tab.set('holds');
    chords.bench.goToPart(2);
    table.settle();
    expect(table.questions).toHaveLength(3);
  });

  it('lets the part be heard in a voicing style, or with a whole set of chords, before it is taken', async () => {
    chords.bench.goToPart(1);
    chords.hearLayout('shell');
    await chords.suggest('all', true);
    await Promise.resolve();
    const { fromTick, toTick } = chords.bench.part() ?? {};
    expect(table.plays.map((play) => [play.fromTick, play.toTick])).toEqual([
      [fromTick, toTick],
      [fromTick, toTick],
    ]);
    expect(table.edits).toEqual([]);
    expect(table.questions.filter(({ kind }) => kind === 'trial' || kind === 'chords')).toMatchObject([
      { kind: 'trial', edit: { kind: 'choose', choices: { layout: 'shell' } } },
      { kind: 'chords', scope: 'all' },
      { kind: 'trial', edit: { kind: 'changes-set' } },
    ]);
  });

  it('chooses a layout for the song or for the part on screen', () => {
    chords.chooseLayout('root');
    chords.forPart.set(true);
    chords.bench.goToPart(2);
    chords.chooseLayout('shell');
    expect(table.edits).toEqual([
      { kind: 'choose', choices: { layout: 'root' } },
      { kind: 'choose-for-part', cutId: 'cut23040', choices: { layout: 'shell' } },
    ]);
  });

  it('goes to a level with chords where a voicing style is chosen for a melody alone', () => {
    chords.bench.climbTo(1);
    chords.chooseLayout('root');
    expect(table.edits.at(-1)).toEqual({ kind: 'choose', choices: { layout: 'root', level: 4 } });
  });

  it('builds a chord up: two notes, three, the whole one, and back to two', () => {
    const steps = [0, 1, 2, 3].map(() => {
      chords.buildOn();
      return chords.buildUp();
    });
    expect(steps).toEqual([2, 3, 4, 2]);
  });

  it('lays out one chord alone, and says how the hands make room there', () => {
    chords.layoutForChange('root');
    chords.closeHands('let-go');
    expect(table.edits).toEqual([]);
    select('c3');
    chords.layoutForChange('root');
    chords.closeHands('let-go');
    chords.closeHands(null);
    expect(table.edits).toEqual([
      { kind: 'layout', changeId: 'c3', layout: 'root' },
      { kind: 'close-hands', changeId: 'c3', how: 'let-go' },
      { kind: 'close-hands', changeId: 'c3', how: null },
    ]);
  });

  it('suggests chords for a song that has none, in the taste chosen', async () => {
    open({ ...sluicegate, changes: [] });
    chords.taste.set('three');
    await chords.suggest('all');
    expect(table.questions.at(-1)).toEqual({ kind: 'chords', taste: 'three', scope: 'all', triads: true });
    expect(new Set(table.song.changes.map((c) => c.symbol))).toEqual(new Set(['G', 'C', 'D7']));
    expect(chords.isSuggesting()).toBe(false);
    await chords.suggest('gaps');
    expect(chords.notice()).toBe('Every bar has its chord already: nothing was changed.');
  });

  it('says so when there is no melody to suggest for', async () => {
    open({ ...sluicegate, melody: [] });
    await chords.suggest('all');
    expect(chords.notice()).toMatch(/^There is no melody yet/);
    expect(table.edits).toEqual([]);
  });

  it('places all changes on easy beats, or as they are sung', () => {
    chords.place('easy');
    chords.place('as-sung');
    expect(table.edits.map((e) => e.kind)).toHaveLength(2);
  });

  it('knows the key and the smaller step where the chord is struck', () => {
    select('c1');
    expect(chords.stepsByHalves()).toBe(true);
    expect(chords.key()).toMatchObject({ mode: 'minor' });
  });
});
