import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { FIRST_PLACE } from '../../storage/place';
import { PracticeStore } from '../../storage/practice-store';
import type { StoredRecording } from '../../storage/stored';
import { SongActions } from '../../state/actions';
import { Table } from '../../testing/table';
import { RecordingState } from './recording-state';

const [lanterns, sluicegate] = DEMO_SONGS;
const kept = (songId: string): StoredRecording => ({ songId, name: `${songId}.mp3`, bars: [] }) as never;

describe('the pianist’s own recording', () => {
  const asked: string[] = [];
  let problem = '';
  let table: Table;
  beforeEach(() => {
    asked.length = 0;
    problem = '';
    const recordingOf = async (songId: string): Promise<StoredRecording> => {
      asked.push(songId);
      if (problem) throw new Error(problem);
      return kept(songId);
    };
    table = new Table(lanterns, { provide: PracticeStore, useValue: { recordingOf } }, RecordingState);
  });
  const settled = async (): Promise<void> => {
    table.settle();
    await Promise.resolve();
    await Promise.resolve();
  };

  it('is read once for a song, whatever is edited, and anew for another song', async () => {
    const state = table.get(RecordingState);
    await settled();
    expect([asked, state.recording()?.songId]).toEqual([[lanterns.id], lanterns.id]);
    table.dispatch(SongActions.edited({ edit: { kind: 'rename', title: 'Another name' } }));
    await settled();
    expect(asked).toEqual([lanterns.id]);
    table.dispatch(
      SongActions.opened({ song: sluicegate, revision: 1, place: FIRST_PLACE, isReadOnly: false }),
    );
    await settled();
    expect([asked, state.recording()?.songId]).toEqual([[lanterns.id, sluicegate.id], sluicegate.id]);
  });

  it('that cannot be read is said, and there is none', async () => {
    problem = 'the store is shut';
    const state = table.get(RecordingState);
    await settled();
    expect(state.problem()).toBe('The recording kept here could not be read: the store is shut.');
    expect(state.recording()).toBeNull();
  });
});

/** What the browser plays: it says what it was told and is moved on by hand. */
class FakeAudio {
  static made: FakeAudio[] = [];
  static duration = 60;
  static cannot = '';
  preservesPitch = false;
  playbackRate = 1;
  currentTime = 0;
  ended = false;
  isSounding = false;
  duration = FakeAudio.duration;
  onloadedmetadata: () => void = () => undefined;
  onerror: () => void = () => undefined;
  constructor() {
    FakeAudio.made.push(this);
  }
  set src(_: string) {
    if (FakeAudio.cannot === 'read') this.onerror();
    else this.onloadedmetadata();
  }
  async play(): Promise<void> {
    if (FakeAudio.cannot === 'play') throw new Error('muted');
    this.isSounding = true;
  }
  pause(): void {
    this.isSounding = false;
  }
}

describe('a recording beside the arrangement', () => {
  let frames: (() => void)[] = [];
  let stored: StoredRecording[] = [];
  const dropped: string[] = [];
  let table: Table;
  let state: RecordingState;

  beforeEach(() => {
    frames = [];
    stored = [];
    dropped.length = 0;
    Object.assign(FakeAudio, { made: [], duration: 60, cannot: '' });
    vi.stubGlobal('Audio', FakeAudio);
    vi.stubGlobal('requestAnimationFrame', (act: () => void) => frames.push(act));
    vi.stubGlobal('cancelAnimationFrame', () => (frames = []));
    vi.spyOn(URL, 'createObjectURL').mockReturnValue('blob:x');
    vi.spyOn(URL, 'revokeObjectURL').mockReturnValue(undefined);
    const store = {
      recordingOf: async () => null,
      keepRecording: async (recording: StoredRecording) => void stored.push(recording),
      dropRecording: async (songId: string) => void dropped.push(songId),
    };
    table = new Table(lanterns, { provide: PracticeStore, useValue: store }, RecordingState);
    state = table.get(RecordingState);
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });

  const file = (size = 1000): File => ({ name: 'tide.mp3', size }) as File;
  /** The browser draws once more. */
  const frame = async (): Promise<void> => {
    const due = frames;
    frames = [];
    for (const act of due) act();
    for (let i = 0; i < 6; i++) await Promise.resolve();
  };
  const audio = (): FakeAudio => FakeAudio.made[FakeAudio.made.length - 1];
  /** Bar lines tapped a second and a half apart. */
  const tapped = async (bars = 24): Promise<void> => {
    await state.choose(file());
    await state.startTapping();
    for (let bar = 0; bar < bars; bar++) {
      audio().currentTime = 2 + 1.5 * bar;
      state.tap();
    }
  };

  it('is taken and kept; too large, too long and no sound are refused in a sentence and change nothing', async () => {
    await state.choose(file());
    expect(stored.map(({ name, songId, bars }) => [name, songId, bars])).toEqual([
      ['tide.mp3', lanterns.id, []],
    ]);
    await state.choose(file(60 * 1024 * 1024 + 1));
    expect(state.problem()).toMatch(/^tide\.mp3 is too large: at most 60 MB/);
    FakeAudio.duration = 20.6 * 60;
    await state.choose(file());
    expect(state.problem()).toBe('tide.mp3 lasts 21 minutes: at most 20 can be read. Cut it to the song.');
    FakeAudio.duration = Infinity;
    await state.choose(file());
    expect(state.problem()).toMatch(/^tide\.mp3 cannot be played by this browser/);
    FakeAudio.cannot = 'read';
    await state.choose(file());
    expect(state.problem()).toMatch(/cannot be played/);
    expect([stored.length, state.recording()?.bars]).toEqual([1, []]);
    Object.assign(FakeAudio, { duration: 20 * 60, cannot: '' });
    await state.choose(file(60 * 1024 * 1024));
    expect([stored.length, state.problem()]).toEqual([2, '']);
  });

  it('has its bars tapped while it plays from its beginning; after the last it is kept and silent', async () => {
    expect(state.bars()).toBe(24);
    await tapped(23);
    expect([state.isTapping(), state.tapped(), audio().isSounding, stored.length]).toEqual([
      true,
      23,
      true,
      1,
    ]);
    audio().currentTime = 40;
    const sounding = audio();
    state.tap();
    expect([state.isTapping(), state.tapped(), sounding.isSounding]).toEqual([false, 24, false]);
    expect(stored[1].bars.slice(0, 3)).toEqual([2, 3.5, 5]);
    // A tap more means nothing.
    state.tap();
    expect(state.tapped()).toBe(24);
  });

  it('ends tapping where it ends by itself, and keeps the bars tapped so far', async () => {
    await tapped(5);
    audio().ended = true;
    await frame();
    expect([state.isTapping(), stored[1].bars.length]).toEqual([false, 5]);
  });

  it('plays the part on screen over and over, slowed at its pitch', async () => {
    await tapped();
    expect(state.stretch()).toEqual({ from: 2, to: 8 });
    state.percent.set(70);
    await state.loop();
    expect([audio().currentTime, audio().playbackRate, audio().preservesPitch]).toEqual([2, 0.7, true]);
    audio().currentTime = 7.9;
    await frame();
    expect(audio().isSounding).toBe(true);
    audio().currentTime = 8;
    await frame();
    expect([audio().isSounding, audio().currentTime, state.isPlaying()]).toEqual([true, 2, true]);
    state.stop();
    expect([audio().isSounding, state.isPlaying()]).toEqual([false, false]);
    expect(URL.revokeObjectURL).toHaveBeenCalledWith('blob:x');
    expect(table.plays).toEqual([]);
  });

  it('is played in turn with the arrangement, which goes as fast as the recording did', async () => {
    await tapped();
    state.sounding.set('in-turn');
    await state.loop();
    audio().currentTime = 8;
    await frame();
    // Four bars of three at 96 a minute are 7.5 seconds, played in 6.
    expect(table.plays.map(({ fromTick, toTick, tempoPercent }) => [fromTick, toTick, tempoPercent])).toEqual(
      [[0, 11_520, 125]],
    );
    expect([table.plays[0].countsIn, table.partAt(57_600)]).toEqual([false, 0]);
    expect(audio().isSounding).toBe(false);
    table.plays[0].whenDone?.();
    await frame();
    expect([audio().isSounding, audio().currentTime]).toEqual([true, 2]);
  });

  it('says where it cannot be played, and is dropped from the store and the screen', async () => {
    await tapped();
    FakeAudio.cannot = 'play';
    await state.loop();
    expect([state.problem(), state.isPlaying()]).toEqual([
      'The recording could not be played: muted.',
      false,
    ]);
    await state.drop();
    expect([dropped, state.recording(), state.tapped(), state.stretch()]).toEqual([
      [lanterns.id],
      null,
      0,
      null,
    ]);
    await state.loop();
    expect(state.isPlaying()).toBe(false);
  });
});
