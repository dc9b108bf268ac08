import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
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
