import '@angular/compiler';
import { ApplicationRef, Injector } from '@angular/core';
import { arrange } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { applyEdit, DEFAULT_PROFILE, migrateSong, type Profile, type Song } from '@joined-hands/core/song';
import { Actions } from '@ngrx/effects';
import { type Action, Store } from '@ngrx/store';
import { BehaviorSubject, merge, type Observable, of, Subject, throwError } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { ArrangementActions, PlaceActions, SongActions } from '../state/actions';
import { EMPTY_WORKBENCH, type WorkbenchState } from '../state/model';
import { workbench } from '../state/reducer';
import { writeDown, writtenDown } from '../storage/journal';
import { FIRST_PLACE } from '../storage/place';
import { type Holder, SongLock } from '../storage/song-lock';
import { type OpenedSong, SongStore, UnreadableSongError } from '../storage/song-store';
import { Problems } from '../ui/problems';
import { ArrangerClient } from '../workers/arranger';
import { Saver } from './saver';
import { WorkbenchEffects } from './workbench-effects';

const [lanterns, sluicegate] = DEMO_SONGS;
const renamed = (title: string): Song => applyEdit(lanterns, { kind: 'rename', title });

describe('what follows from actions', () => {
  const kept = new Map<string, string>();
  /** What was done, in order. */
  let done: string[];
  let stored: Map<string, OpenedSong>;
  let added: Song[];
  let arranged: () => Observable<Arrangement>;
  let profiles: Profile[];
  let isMine: boolean;
  let holder: Holder;
  let problems: Problems;
  let state: BehaviorSubject<WorkbenchState>;
  let send: (action: Action) => void;

  beforeEach(() => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] });
    kept.clear();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    });
    done = [];
    added = [];
    arranged = () => of();
    isMine = true;
    profiles = [DEFAULT_PROFILE];
    stored = new Map(
      [lanterns, sluicegate].map((song) => [
        song.id,
        { song: migrateSong(song), revision: 4, place: FIRST_PLACE },
      ]),
    );
    const actions = new Subject<Action>();
    state = new BehaviorSubject(EMPTY_WORKBENCH);
    send = (action) => {
      state.next(workbench.reducer(state.value, action));
      actions.next(action);
    };
    const store = {
      dispatch: send,
      selectSignal: () => () => state.value,
      select: () => state,
    };
    const songs = {
      get: async (id: string) => {
        if (id === 'bad') throw new UnreadableSongError('no song');
        done.push(`read ${id}`);
        return stored.get(id);
      },
      profiles: async () => profiles,
      opened: async (id: string) => void done.push(`opened ${id}`),
      save: async (song: Song, _: unknown, revision: number) => {
        done.push(`saved ${song.title} over ${revision}`);
        return revision + 1;
      },
      savePlace: async (id: string, { part }: { part: number }) => void done.push(`place ${id} ${part}`),
      saveFacts: async (id: string, { parts }: { parts: number }) => void done.push(`facts ${id} ${parts}`),
      add: async (song: Song) => void added.push(song),
      addNotStored: SongStore.prototype.addNotStored,
    };
    const lock = {
      take: async (id: string, asked: Holder, takeOver: boolean) => {
        holder = asked;
        done.push(`${takeOver ? 'taken over' : 'lock'} ${id}`);
        return isMine;
      },
      free: (id: string) => void done.push(`free ${id}`),
    };
    const injector = Injector.create({
      providers: [
        { provide: Actions, useValue: new Actions(actions) },
        { provide: Store, useValue: store },
        { provide: SongStore, useValue: songs },
        { provide: SongLock, useValue: lock },
        {
          provide: ArrangerClient,
          useValue: { arrange: () => arranged() },
        },
        { provide: ApplicationRef, useValue: { tick: () => void done.push('drawn') } },
        { provide: Problems },
        { provide: Saver },
        { provide: WorkbenchEffects },
      ],
    });
    const {
      arrange: arranging,
      openAndLeave,
      save,
      pageGoes,
      savePlace,
      saveFacts,
    } = injector.get(WorkbenchEffects);
    problems = injector.get(Problems);
    merge(arranging, openAndLeave).subscribe((action) => send(action as Action));
    merge(save, pageGoes, savePlace, saveFacts).subscribe();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const wait = (ms = 1) => vi.advanceTimersByTimeAsync(ms);
  const open = async (id = lanterns.id, takeOver = false): Promise<void> => {
    send(SongActions.openAsked({ id, takeOver }));
    await wait();
  };

  it('reads a song after its lock is held', async () => {
    await open();
    expect(done).toEqual(['lock demo-lanterns', 'read demo-lanterns', 'opened demo-lanterns']);
    expect(state.value).toMatchObject({ song: lanterns, revision: 4, isReadOnly: false, isDirty: false });
  });

  it('arranges it for the profile it names; says that one that is not here cannot be had', async () => {
    const song = stored.get(lanterns.id) as OpenedSong;
    stored.set(lanterns.id, { ...song, song: { ...song.song, profile: 'ann' } });
    profiles = [DEFAULT_PROFILE, { ...DEFAULT_PROFILE, id: 'ann', name: 'Ann' }];
    await open();
    expect([state.value.profile.name, problems.sentence()]).toEqual(['Ann', null]);
    profiles = [DEFAULT_PROFILE];
    await open();
    expect([state.value.profile.name, problems.sentence()]).toEqual([
      'Me',
      `The profile of “${lanterns.title}” is not on this device, so the song is arranged for “Me”.`,
    ]);
  });

  it('says that a song opened by its address is in the bin', async () => {
    const song = stored.get(lanterns.id) as OpenedSong;
    stored.set(lanterns.id, { ...song, isInBin: true });
    await open();
    expect(problems.sentence()).toBe(
      `“${lanterns.title}” is in the bin. An edit brings it back to the shelf.`,
    );
  });

  it('opens a song that another tab holds to be looked at, and does not touch its card', async () => {
    isMine = false;
    await open();
    expect(state.value).toMatchObject({ song: lanterns, isReadOnly: true });
    expect(done).toEqual(['lock demo-lanterns', 'read demo-lanterns']);
  });

  it('draws what was arranged in the task that brought it, once the state has it', async () => {
    await open();
    done = [];
    const arrangement = arrange(lanterns, DEFAULT_PROFILE);
    arranged = () => of(arrangement);
    send(SongActions.edited({ edit: { kind: 'rename', title: 'Lamps' } }));
    expect([state.value.arrangement, done]).toEqual([arrangement, []]);
    await Promise.resolve();
    expect(done).toEqual(['drawn']);
  });

  it('says that a song could not be arranged', async () => {
    await open();
    arranged = () => throwError(() => new Error('no bars'));
    send(SongActions.edited({ edit: { kind: 'rename', title: 'Lamps' } }));
    expect(state.value.problem).toMatch(/^The song could not be arranged: no bars/);
  });

  it('says that a song is not there, or is none', async () => {
    await open('nowhere');
    expect(state.value.missing).toBe('nowhere');
    expect(done.at(-1)).toBe('free nowhere');
    await open('bad');
    expect(state.value.unreadable).toEqual({ id: 'bad', reason: 'no song' });
  });

  it('stores what is left before the next is read, and frees its lock', async () => {
    await open();
    send(SongActions.edited({ edit: { kind: 'rename', title: 'Lamps' } }));
    send(SongActions.leaveAsked({ id: lanterns.id }));
    await open(sluicegate.id);
    expect(done.slice(3)).toEqual([
      'saved Lamps over 4',
      'free demo-lanterns',
      'lock demo-sluicegate',
      'read demo-sluicegate',
      'opened demo-sluicegate',
    ]);
    expect(state.value.song).toEqual(sluicegate);
  });

  it('goes on from what was written down when the page went', async () => {
    writeDown({ song: renamed('Written'), revision: 4, isWriting: false });
    await open();
    expect(state.value).toMatchObject({ song: { title: 'Written' }, revision: 4, isDirty: true });
    await wait(300);
    expect(done).toContain('saved Written over 4');
    expect(writtenDown(lanterns.id)).toBeNull();
  });

  it('goes on from it too where a write that was under way has landed', async () => {
    writeDown({ song: renamed('Written'), revision: 3, isWriting: true });
    await open();
    expect(state.value).toMatchObject({ song: { title: 'Written' }, revision: 4, isDirty: true });
  });

  it('keeps it as a song of its own where another tab has stored since, once, and says so', async () => {
    writeDown({ song: renamed('Written'), revision: 3, isWriting: false });
    await open();
    expect(state.value).toMatchObject({ song: lanterns, isDirty: false });
    expect(added.map(({ title }) => title)).toEqual(['Written (not stored)']);
    expect(added[0].id).not.toBe(lanterns.id);
    expect(problems.sentence()).toMatch(/^What was not stored of “Written”/);
    expect(writtenDown(lanterns.id)).toBeNull();
  });

  const noteDifference = (revision: number): void =>
    localStorage.setItem(
      `joined-hands unsaved ${lanterns.id}`,
      JSON.stringify({ differences: [{ revision, difference: { title: { value: 'Written' } } }] }),
    );

  it('goes on from what differs, where only that was written down', async () => {
    noteDifference(4);
    await open();
    expect(state.value).toMatchObject({ song: { title: 'Written' }, stored: lanterns, isDirty: true });
  });

  it('says that the last edit was lost where it differs from what is stored no more', async () => {
    noteDifference(3);
    await open();
    expect(state.value).toMatchObject({ song: lanterns, isDirty: false });
    expect(problems.sentence()).toMatch(/^The last edit of “Lanterns at Low Water” could not be kept/);
    expect(writtenDown(lanterns.id)).toBeNull();
  });

  it('keeps no copy of what is stored already', async () => {
    writeDown({ song: lanterns, revision: 2, isWriting: false });
    await open();
    expect(added).toEqual([]);
    expect(writtenDown(lanterns.id)).toBeNull();
  });

  it('leaves what was written down to the tab that holds the song', async () => {
    isMine = false;
    writeDown({ song: renamed('Written'), revision: 4, isWriting: false });
    await open();
    expect(state.value.song).toEqual(lanterns);
    expect(writtenDown(lanterns.id)).not.toBeNull();
  });

  it('stores what it has when another tab asks for the song, then edits no more', async () => {
    await open();
    send(SongActions.edited({ edit: { kind: 'rename', title: 'Lamps' } }));
    await holder.handOver();
    holder.lost();
    expect(done.at(-1)).toBe('saved Lamps over 4');
    send(SongActions.edited({ edit: { kind: 'rename', title: 'Too late' } }));
    expect(state.value).toMatchObject({ song: { title: 'Lamps' }, isReadOnly: true, isDirty: false });
  });

  it('writes down what a tab that took the song by force left it no time to store', async () => {
    await open();
    send(SongActions.edited({ edit: { kind: 'rename', title: 'Lamps' } }));
    holder.lost();
    expect(writtenDown(lanterns.id)).toMatchObject({ song: { title: 'Lamps' }, revision: 4 });
    expect(state.value).toMatchObject({ isReadOnly: true, isDirty: true });
    await wait(1000);
    expect(done.filter((what) => what.startsWith('saved'))).toEqual([]);
  });

  it('stores place and facts when they have come to rest, of a song that may be edited', async () => {
    await open();
    for (const part of [1, 2, 3]) send(PlaceActions.moved({ place: { part } }));
    send(ArrangementActions.came({ arrangement: arrange(lanterns, DEFAULT_PROFILE) }));
    await wait(500);
    expect(done.slice(3)).toEqual(['place demo-lanterns 3', 'facts demo-lanterns 6']);
    send(SongActions.overtaken({ id: lanterns.id }));
    send(PlaceActions.moved({ place: { part: 1 } }));
    send(ArrangementActions.came({ arrangement: arrange(lanterns, DEFAULT_PROFILE) }));
    await wait(500);
    expect(done).toHaveLength(5);
  });
});
