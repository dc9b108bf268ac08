import '@angular/compiler';
import { arrange } from '@joined-hands/core/arrange';
import { applyEdit, DEFAULT_PROFILE, type SongEdit } from '@joined-hands/core/song';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { FIRST_PLACE } from '../storage/place';
import { ArrangementActions, PlaceActions, ProfileActions, SongActions } from './actions';
import { EMPTY_WORKBENCH, type WorkbenchState } from './model';
import { workbench } from './reducer';

const [lanterns, sluicegate] = DEMO_SONGS;
const rung = (n: number): SongEdit => ({ kind: 'choose', choices: { rung: n } });

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
    const state = after(SongActions.edited({ edit: rung(5) }));
    expect(state.song).toEqual(applyEdit(lanterns, rung(5)));
    expect(state).toMatchObject({ isDirty: true, isArranging: true });
    expect(state.past).toEqual([{ song: lanterns, what: 'choice for the song', session: null }]);
  });

  it('takes the strokes of one typing as one step, another place as another', () => {
    const typed = (session: string, bars: number) =>
      SongActions.edited({
        edit: { kind: 'tune-taken', what: 'typed tune', session, fields: { barCount: bars } },
      });
    const state = after(typed('a', 5), typed('a', 6), typed('b', 7));
    expect(state.past.map((step) => step.what)).toEqual(['typed tune', 'typed tune']);
    expect(state.past[0].song).toBe(lanterns);
    expect(state.past[1].song.barCount).toBe(6);
  });

  it('undoes and redoes to the very same songs', () => {
    const [five, seven] = [SongActions.edited({ edit: rung(5) }), SongActions.edited({ edit: rung(7) })];
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
      SongActions.edited({ edit: rung(5) }),
      SongActions.undone(),
      SongActions.edited({ edit: rung(2) }),
      SongActions.redone(),
    );
    expect(state.song?.choices.rung).toBe(2);
    expect(state.future).toEqual([]);
    expect(after(SongActions.undone()).song).toBe(lanterns);
  });

  it('keeps a song in another tab as it is', () => {
    const state = after(
      SongActions.takenOverElsewhere(),
      SongActions.edited({ edit: rung(5) }),
      SongActions.undone(),
    );
    expect(state).toMatchObject({ isReadOnly: true, song: lanterns, isDirty: false });
  });

  it('knows what is saved: an edit made while saving is still to be saved', () => {
    const first = SongActions.edited({ edit: rung(5) });
    const saved = after(first).song ?? lanterns;
    expect(after(first, SongActions.saved({ song: saved, revision: 4 }))).toMatchObject({
      isDirty: true,
      revision: 4,
    });
    const state = workbench.reducer(after(first), SongActions.edited({ edit: rung(7) }));
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
    const cut = applyEdit(lanterns, { kind: 'division-chosen', division: { school: 'bars', bars: 12 } });
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
    });
  });

  it('tells what went wrong and keeps the song', () => {
    const state = after(SongActions.wentWrong({ problem: 'The disk is full.' }));
    expect(state).toMatchObject({ problem: 'The disk is full.', song: lanterns, isArranging: false });
  });
});
