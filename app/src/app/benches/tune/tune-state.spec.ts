import '@angular/compiler';
import type { Song } from '@joined-hands/core/song';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { Table } from '../../testing/table';
import { TuneState } from './tune-state';

const [lanterns] = DEMO_SONGS;

describe('the notes of the open song', () => {
  let table: Table;
  let tune: TuneState;
  const open = (song: Song = lanterns): void => {
    table = new Table(song, TuneState);
    tune = table.get(TuneState);
  };
  beforeEach(() => open());
  const note = (id: string) => table.song.melody.find((n) => n.id === id);

  it('picks a note, heard, and shows the part it lies in', () => {
    tune.pick('n10', false);
    expect(tune.picked()).toEqual(['n10']);
    expect(tune.note()?.tick).toBe(13440);
    expect(tune.bench.partIndex()).toBe(1);
    expect(table.heard).toEqual([[72]]);
    tune.pick('nowhere', false);
    expect(tune.picked()).toEqual([]);
  });

  it('extends from the first picked, forwards and backwards', () => {
    tune.pick('n3', false);
    tune.pick('n6', true);
    expect(tune.picked()).toEqual(['n3', 'n4', 'n5', 'n6']);
    tune.pick('n1', true);
    expect(tune.picked()).toEqual(['n1', 'n2', 'n3']);
    tune.leave();
    tune.pick('n2', true);
    expect(tune.picked()).toEqual(['n2']);
  });

  it('steps from note to note, from none to the first of the part, over the end of a part', () => {
    tune.bench.goToPart(2);
    tune.step(1, false);
    expect(tune.picked()).toEqual(['n18']);
    tune.step(-1, false);
    expect(tune.picked()).toEqual(['n17']);
    expect(tune.bench.partIndex()).toBe(1);
    tune.step(1, true);
    tune.step(-1, true);
    expect(tune.picked()).toEqual(['n16', 'n17', 'n18']);
    expect(tune.bench.partIndex()).toBe(1);
  });

  it('stops at the ends of the song', () => {
    tune.pick('n1', false);
    tune.step(-1, false);
    expect(tune.picked()).toEqual(['n1']);
    tune.pick('n53', false);
    tune.step(1, false);
    expect(tune.picked()).toEqual(['n53']);
  });

  it('picks the notes of the part on screen', () => {
    tune.bench.goToPart(2);
    tune.pickPart();
    expect(tune.picked()).toEqual(['n18', 'n19', 'n20', 'n21', 'n22', 'n23', 'n24', 'n25', 'n26']);
  });

  it('changes nothing while no note is picked', () => {
    tune.movePitch({ steps: 1 });
    tune.shift(1);
    tune.split();
    tune.tie();
    tune.copy();
    tune.remove();
    expect(table.edits).toEqual([]);
  });

  it('moves pitches and hears the new one', () => {
    tune.pick('n2', false);
    tune.movePitch({ steps: 1 });
    expect(note('n2')?.pitch).toEqual({ letter: 'C', alter: 0, octave: 5 });
    expect(table.heard.at(-1)).toEqual([72]);
    tune.movePitch({ semitones: 1 });
    expect(table.heard.at(-1)).toEqual([73]);
  });

  it('shifts and lengthens by the step chosen', () => {
    tune.pick('n2', false);
    tune.timeStep.set(240);
    tune.lengthen(-1);
    tune.shift(1);
    expect(table.edits).toEqual([
      { kind: 'notes-lengthened', ids: ['n2'], ticks: -240 },
      { kind: 'notes-shifted', ids: ['n2'], ticks: 240 },
    ]);
    expect(note('n2')).toMatchObject({ tick: 2160, length: 720 });
  });

  it('splits the first note picked, joins all, ties and unties', () => {
    tune.pick('n1', false);
    tune.split();
    expect(table.song.melody.slice(0, 2).map((n) => [n.tick, n.length])).toEqual([
      [0, 960],
      [960, 960],
    ]);
    tune.tie();
    expect(note('n1')?.tiedToNext).toBe(true);
    tune.tie();
    expect(note('n1')?.tiedToNext).toBe(false);
    tune.step(1, true);
    tune.join();
    expect(table.song.melody[0]).toMatchObject({ tick: 0, length: 1920 });
  });

  it('takes notes out and picks the next', () => {
    tune.pick('n2', false);
    tune.pick('n3', true);
    tune.remove();
    expect(note('n2')).toBeUndefined();
    expect(tune.picked()).toEqual(['n4']);
    tune.pick('n53', false);
    tune.remove();
    expect(tune.picked()).toEqual([]);
  });

  it('copies a phrase to as many bars later as it is long', () => {
    open({ ...lanterns, melody: lanterns.melody.slice(0, 4), cuts: [] });
    tune.pick('n2', false);
    tune.pick('n4', true);
    tune.copy();
    expect(table.edits).toEqual([{ kind: 'phrase-copied', ids: ['n2', 'n3', 'n4'], toTick: 1920 + 5760 }]);
  });

  it('adds a note as long and as high as the last, the first of an empty song middle C', () => {
    tune.pick('n53', false);
    const before = table.song.melody.length;
    const last = note('n53');
    tune.add();
    expect(table.song.melody).toHaveLength(before + 1);
    expect(table.song.melody.at(-1)).toMatchObject({
      tick: (last?.tick ?? 0) + (last?.length ?? 0),
      length: last?.length,
      pitch: last?.pitch,
    });
    // After the last of several that are picked, wherever they are.
    tune.pick('n2', false);
    tune.pick('n4', true);
    tune.add();
    const after = note('n4');
    expect(table.edits.at(-1)).toMatchObject({
      kind: 'note-added',
      tick: (after?.tick ?? 0) + (after?.length ?? 0),
      length: after?.length,
      pitch: after?.pitch,
    });
    open({ ...lanterns, melody: [], pickup: 960 });
    tune.add();
    expect(table.song.melody).toMatchObject([
      { tick: 960, length: 960, pitch: { letter: 'C', alter: 0, octave: 4 } },
    ]);
    expect(tune.picked()).toEqual([table.song.melody[0].id]);
    expect(table.heard.at(-1)).toEqual([60]);
  });

  it('knows the written bar of the note picked, else of the part', () => {
    expect(tune.writtenBar()).toBe(1);
    tune.bench.goToPart(1);
    expect(tune.writtenBar()).toBe(5);
    tune.pick('n4', false);
    expect(tune.writtenBar()).toBe(2);
  });

  it('takes a tune in the place of the old one', () => {
    tune.take('typed tune', 'session', { barCount: 30 });
    expect(table.edits).toEqual([
      { kind: 'tune-taken', what: 'typed tune', session: 'session', fields: { barCount: 30 } },
    ]);
  });

  it('mends the first finding of the tune that has a remedy', () => {
    const melody = lanterns.melody.map((n) => (n.id === 'n2' ? { ...n, length: 1920 } : n));
    open({ ...lanterns, melody });
    const [finding] = tune.bench.findings().filter((f) => f.kind === 'overlap');
    expect(finding.remedies?.length).toBeGreaterThan(0);
    tune.mend();
    expect(table.edits).toEqual([finding.remedies?.[0].edit]);
    expect(tune.bench.findings().filter((f) => f.kind === 'overlap')).toEqual([]);
  });

  it('mends what can be mended where something before it cannot', () => {
    const lyric = { text: 'la', syllabic: 'single' as const };
    const notes = lanterns.melody.map((n, i) => ({ ...n, lyric: i < 3 ? null : lyric }));
    open({ ...lanterns, melody: notes.map((n, i) => (i === 5 ? { ...n, length: 2 * n.length } : n)) });
    const found = tune.bench.findings().filter(({ kind }) => kind === 'words' || kind === 'overlap');
    expect(found.map(({ kind, remedies }) => [kind, remedies.length > 0])).toEqual([
      ['words', false],
      ['overlap', true],
    ]);
    tune.mend();
    expect(table.edits).toEqual([found[1].remedies?.[0].edit]);
  });

  it('edits the written note wherever it comes back', () => {
    open(DEMO_SONGS[3]);
    const again = tune.played().find((n) => n.id.endsWith('@2'));
    tune.pick(again?.id ?? '', false);
    tune.movePitch({ semitones: 1 });
    expect(table.edits).toEqual([{ kind: 'notes-moved', ids: [again?.writtenId], semitones: 1 }]);
  });
});

describe('the other name of a note', () => {
  it('is written for the note picked, its key stays', () => {
    const table = new Table(DEMO_SONGS[0], TuneState);
    const tune = table.get(TuneState);
    table.settle();
    const sharp = DEMO_SONGS[0].melody.find(({ pitch }) => pitch.alter === 1);
    tune.pick(sharp?.id ?? '', false);
    table.settle();
    expect(tune.otherName()).toEqual({ letter: 'A', alter: -1 });
    tune.respell();
    expect(table.edits).toEqual([
      { kind: 'note-respelled', id: sharp?.id, pitch: { letter: 'A', alter: -1, octave: 4 } },
    ]);
  });
});

describe('what is found of the tune', () => {
  let table: Table;
  let tune: TuneState;
  const open = (song: Song = lanterns): void => {
    table = new Table(song, TuneState);
    tune = table.get(TuneState);
  };
  beforeEach(() => open());

  it.each([
    ['notes', []],
    ['letters', ['keys']],
    ['bars', ['keys', 'metres']],
    ['keys', ['easier-keys']],
  ] as const)('at %s asks %j, once for a song, and anew after an edit', (tab, kinds) => {
    tune.tab.set(tab);
    table.settle();
    const asked = (): string[] => table.questions.map(({ kind }) => kind).sort();
    expect(asked()).toEqual([...kinds].sort());
    table.settle();
    expect(asked()).toHaveLength(kinds.length);
    const answers = { keys: tune.foundKeys(), metres: tune.foundMetres(), 'easier-keys': tune.easierKeys() };
    for (const [kind, answer] of Object.entries(answers))
      expect([kind, answer !== null]).toEqual([kind, (kinds as readonly string[]).includes(kind)]);
    tune.bench.edit({ kind: 'key-set', bar: 1, key: { tonic: { letter: 'D', alter: 0 }, mode: 'major' } });
    table.settle();
    expect(asked()).toHaveLength(2 * kinds.length);
  });

  it('asks nothing of a tune too short to tell', () => {
    // Chords, however many, tell neither key nor metre of a tune.
    open({ ...lanterns, melody: lanterns.melody.slice(0, 2) });
    tune.tab.set('bars');
    table.settle();
    expect(table.questions).toEqual([]);
  });

  it('is gone with the notes it was found in, and stays while another tab is open', () => {
    open({ ...lanterns, melody: lanterns.melody.slice(0, 3) });
    tune.tab.set('bars');
    table.settle();
    expect(tune.foundMetres()).not.toBeNull();
    tune.tab.set('notes');
    table.settle();
    expect(tune.foundMetres()).not.toBeNull();
    tune.bench.edit({ kind: 'notes-deleted', ids: [table.song.melody[0].id] });
    table.settle();
    expect([tune.foundKeys(), tune.foundMetres()]).toEqual([null, null]);
  });

  it('strikes what is chosen with the notes picked, heard as it is struck, and refuses no key', () => {
    tune.pick('n1', false);
    tune.pick('n2', true);
    tune.harmonise({ how: 'third-under' });
    table.settle();
    expect(table.song.melody.slice(0, 3).map(({ harmony }) => harmony)).toEqual([
      { how: 'third-under' },
      { how: 'third-under' },
      undefined,
    ]);
    expect(table.heard.at(-1)).toEqual([65, 69]);
    tune.harmoniseWith('C4 E4');
    table.settle();
    expect([tune.harmony()?.keys?.length, table.heard.at(-1)]).toEqual([2, [60, 64, 69]]);
    expect(() => tune.harmoniseWith('C4 X')).toThrow('"X" is not a letter');
    tune.harmoniseWith('');
    expect(table.song.melody[0].harmony).toBeUndefined();
  });

  it('strikes what is chosen for one time that time alone; without it, it is as the first time', () => {
    open({ ...lanterns, playingOrder: [1, 1].map((fromBar) => ({ fromBar, toBar: 4 })) });
    tune.pick('n1', false);
    tune.harmonise({ how: 'third-under' });
    table.settle();
    const struck = (): number[] =>
      ['n1', 'n1@2'].map(
        (id) => table.state.arrangement?.right.filter(({ from }) => from === id).length ?? 0,
      );
    expect([tune.time(), struck()]).toEqual([1, [2, 2]]);
    tune.pick('n1@2', false);
    expect([tune.time(), tune.isThisTime()]).toEqual([2, false]);
    tune.isThisTime.set(true);
    expect(tune.harmony()).toBeNull();
    tune.harmonise({ how: 'two-under' });
    table.settle();
    expect([struck(), tune.harmony()]).toEqual([[2, 3], { how: 'two-under' }]);
    tune.harmonise(null);
    table.settle();
    expect([struck(), table.song.melody[0].harmonies]).toEqual([[2, 2], undefined]);
  });

  it('puts a chord under the note picked and goes on to the next; one that cannot be read is said', () => {
    tune.pick('n2', false);
    expect(tune.chordHere()).toBe('');
    expect(tune.putChord('Xm')).toContain('Xm');
    expect(tune.picked()).toEqual(['n2']);
    expect(tune.putChord('dm7')).not.toBe('');
    expect(tune.putChord('Dm7')).toBe('');
    table.settle();
    expect(table.song.changes.find(({ tick }) => tick === 1920)?.symbol).toBe('Dm7');
    expect([tune.picked(), tune.chordHere()]).toEqual([['n3'], 'F']);
  });

  it('sings the words of a chart to the tune, where they stand over their bars no more', () => {
    const words = ['far', 'out'].map((text, i) => ({ tick: 2880 * i, text, syllabic: 'single' as const }));
    open({ ...lanterns, words });
    tune.singChart('n1', 'n17', 'far out');
    expect([table.song.words, table.song.melody.slice(0, 3).map(({ lyric }) => lyric?.text)]).toEqual([
      [],
      ['far', 'out', undefined],
    ]);
    tune.bench.undo();
    expect(table.song.words).toEqual(words);
  });
});
