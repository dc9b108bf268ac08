import '@angular/compiler';
import { arrange } from '@joined-hands/core/arrange';
import { seeded } from '@joined-hands/core/chance';
import { applyEdit, DEFAULT_PROFILE, type Song, type SongEdit } from '@joined-hands/core/song';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { FIRST_PLACE } from '../storage/place';
import { ArrangementActions, PlaceActions, ProfileActions, SongActions } from './actions';
import { EMPTY_WORKBENCH, type WorkbenchState } from './model';
import { workbench } from './reducer';

const [lanterns, sluicegate] = DEMO_SONGS;
const level = (n: number): SongEdit => ({ kind: 'choose', choices: { level: n } });

/** The state after actions, from a song just opened. */
function after(...actions: Parameters<typeof workbench.reducer>[1][]): WorkbenchState {
  const opened = SongActions.opened({ song: lanterns, revision: 3, place: FIRST_PLACE, isReadOnly: false });
  return [opened, ...actions].reduce((state, action) => workbench.reducer(state, action), EMPTY_WORKBENCH);
}

describe('the workbench', () => {
  it('opens a song clean and asks for its arrangement', () => {
    expect(after()).toMatchObject({
      song: lanterns,
      revision: 3,
      isDirty: false,
      isArranging: true,
      past: [],
      arrangement: null,
    });
  });

  it('edits through the core, remembers each step and marks the song as not saved', () => {
    const state = after(SongActions.edited({ edit: level(5) }));
    expect(state.song).toEqual(applyEdit(lanterns, level(5)));
    expect(state).toMatchObject({ isDirty: true, isArranging: true });
    expect(state.past).toEqual([{ song: lanterns, what: 'choice for the song', session: null }]);
  });

  it('takes the strokes of one typing as one step, another place as another', () => {
    const typed = (session: string, bars: number) =>
      SongActions.edited({
        edit: { kind: 'tune-taken', what: 'typed tune', session, fields: { barCount: bars } },
      });
    const state = after(typed('a', 35), typed('a', 36), typed('b', 37));
    expect(state.past.map((step) => step.what)).toEqual(['typed tune', 'typed tune']);
    expect(state.past[0].song).toBe(lanterns);
    expect(state.past[1].song.barCount).toBe(36);
  });

  it('goes back through 300 edits and forward again, to the very same songs', () => {
    const chance = seeded(9);
    const edits = Array.from({ length: 300 }, (_, i): SongEdit => {
      const id = lanterns.melody[Math.floor(chance() * lanterns.melody.length)].id;
      const all: readonly SongEdit[] = [
        level(1 + Math.floor(chance() * 5)),
        { kind: 'rename', title: `Title ${i}` },
        { kind: 'notes-moved', ids: [id], steps: chance() < 0.5 ? 1 : -1 },
        { kind: 'change-written', id: `c${1 + Math.floor(chance() * 24)}`, symbol: 'Dm7' },
        { kind: 'notes-lengthened', ids: [id], ticks: -120 },
      ];
      return all[Math.floor(chance() * all.length)];
    });
    let state = after();
    const songs = [state.song];
    const run = (action: Parameters<typeof workbench.reducer>[1]): void => {
      state = workbench.reducer(state, action);
    };
    for (const edit of edits) {
      run(SongActions.edited({ edit }));
      songs.push(state.song);
    }
    for (let at = edits.length - 1; at >= 0; at--) {
      run(SongActions.undone());
      expect(state.song).toBe(songs[at]);
    }
    run(SongActions.undone());
    expect(state.song).toBe(lanterns);
    for (const song of songs.slice(1)) {
      run(SongActions.redone());
      expect(state.song).toBe(song);
    }
  });

  it('keeps 300 steps, no more', () => {
    const many = Array.from({ length: 305 }, (_, i) =>
      SongActions.edited({ edit: { kind: 'rename', title: `${i}` } }),
    );
    const state = after(...many);
    expect(state.past).toHaveLength(300);
    expect(state.past[0].song.title).toBe('4');
  });

  it('says that a song is not stored until it is, and gives it up when it was overtaken', () => {
    const failed = SongActions.saveFailed({ problem: 'no room' });
    expect(after(SongActions.edited({ edit: level(5) }), failed).unsaved).toBe('no room');
    const edited = after(SongActions.edited({ edit: level(5) }), failed);
    const saved = workbench.reducer(edited, SongActions.saved({ song: edited.song as Song, revision: 4 }));
    expect(saved).toMatchObject({ unsaved: null, isDirty: false, revision: 4 });
    expect(after(SongActions.overtaken({ id: lanterns.id }))).toMatchObject({ isReadOnly: true });
    expect(after(SongActions.overtaken({ id: 'another' }))).toMatchObject({ isReadOnly: false });
    expect(after(SongActions.unreadable({ id: 'bad', reason: 'why' })).unreadable).toEqual({
      id: 'bad',
      reason: 'why',
    });
  });

  it('undoes and redoes to the very same songs', () => {
    const [five, seven] = [SongActions.edited({ edit: level(5) }), SongActions.edited({ edit: level(7) })];
    const both = after(five, seven);
    const undone = after(five, seven, SongActions.undone(), SongActions.undone());
    expect(undone.song).toBe(lanterns);
    expect(undone.future).toHaveLength(2);
    expect(
      after(
        five,
        seven,
        SongActions.undone(),
        SongActions.undone(),
        SongActions.redone(),
        SongActions.redone(),
      ).song,
    ).toEqual(both.song);
  });

  it('forgets what was undone when something new is done, and does nothing beyond the ends', () => {
    const state = after(
      SongActions.edited({ edit: level(5) }),
      SongActions.undone(),
      SongActions.edited({ edit: level(2) }),
      SongActions.redone(),
    );
    expect(state.song?.choices.level).toBe(2);
    expect(state.future).toEqual([]);
    expect(after(SongActions.undone()).song).toBe(lanterns);
  });

  it('keeps a song in another tab as it is', () => {
    const state = after(
      SongActions.overtaken({ id: lanterns.id }),
      SongActions.edited({ edit: level(5) }),
      SongActions.undone(),
    );
    expect(state).toMatchObject({ isReadOnly: true, song: lanterns, isDirty: false });
  });

  it('knows what is saved: an edit made while saving is still to be saved', () => {
    const first = SongActions.edited({ edit: level(5) });
    const saved = after(first).song ?? lanterns;
    expect(after(first, SongActions.saved({ song: saved, revision: 4 }))).toMatchObject({
      isDirty: true,
      revision: 4,
    });
    const state = workbench.reducer(after(first), SongActions.edited({ edit: level(7) }));
    const onlyFirst = state.past[1].song;
    expect(workbench.reducer(state, SongActions.saved({ song: onlyFirst, revision: 4 })).isDirty).toBe(true);
    expect(
      workbench.reducer(state, SongActions.saved({ song: state.song ?? lanterns, revision: 4 })).isDirty,
    ).toBe(false);
  });

  it('ignores what belongs to another song', () => {
    const other = arrange(sluicegate, DEFAULT_PROFILE);
    expect(after(ArrangementActions.came({ arrangement: other })).arrangement).toBeNull();
    expect(after(SongActions.saved({ song: sluicegate, revision: 9 })).revision).toBe(3);
  });

  it('shows the part on screen before the whole, and is busy until then', () => {
    const whole = arrange(lanterns, DEFAULT_PROFILE);
    const partial = { ...whole, isPartial: true };
    expect(after(ArrangementActions.came({ arrangement: partial })).isArranging).toBe(true);
    expect(after(ArrangementActions.came({ arrangement: whole })).isArranging).toBe(false);
  });

  it('never points at a part that is no longer there', () => {
    const cut = applyEdit(lanterns, { kind: 'division-chosen', division: { method: 'bars', bars: 12 } });
    const whole = arrange(cut, DEFAULT_PROFILE);
    const state = after(
      PlaceActions.moved({ place: { part: 5 } }),
      ArrangementActions.came({ arrangement: whole }),
    );
    expect(state.place.part).toBe(whole.parts.length - 1);
  });

  it('keeps the profile when a song is closed, and arranges anew when it changes', () => {
    const profile = { ...DEFAULT_PROFILE, leftReach: 6 as const };
    const changed = after(
      ArrangementActions.came({ arrangement: arrange(lanterns, DEFAULT_PROFILE) }),
      ProfileActions.changed({ profile }),
    );
    expect(changed).toMatchObject({ profile, isArranging: true });
    expect(workbench.reducer(changed, SongActions.closed({ id: lanterns.id }))).toEqual({
      ...EMPTY_WORKBENCH,
      profile,
      profiles: [profile],
    });
  });

  it('is arranged for the profile the song names, also after undo; for the first when that one is deleted', () => {
    const ann = { ...DEFAULT_PROFILE, id: 'ann', name: 'Ann', leftReach: 6 as const };
    const who = (...actions: Parameters<typeof after>): string =>
      after(
        ProfileActions.read({ profiles: [DEFAULT_PROFILE, ann] }),
        SongActions.edited({ edit: { kind: 'rename', profile: 'ann' } }),
        ...actions,
      ).profile.name;
    expect([
      who(),
      who(SongActions.undone()),
      who(SongActions.undone(), SongActions.redone()),
      who(ProfileActions.deleted({ id: 'ann' })),
      who(ProfileActions.deleted({ id: 'ann' }), ProfileActions.changed({ profile: ann })),
      who(ProfileActions.deleted({ id: 'me' }), ProfileActions.deleted({ id: 'ann' })),
    ]).toEqual(['Ann', 'Me', 'Ann', 'Me', 'Ann', 'Ann']);
  });

  it('tells what went wrong and keeps the song', () => {
    const state = after(SongActions.wentWrong({ problem: 'The disk is full.' }));
    expect(state).toMatchObject({ problem: 'The disk is full.', song: lanterns, isArranging: false });
  });
});
