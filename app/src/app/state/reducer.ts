import { applyEdit, describeEdit, profileOf, sessionOf } from '@joined-hands/core/song';
import { type Action, createFeature, createReducer, on } from '@ngrx/store';
import { ArrangementActions, PlaceActions, ProfileActions, SongActions } from './actions';
import { EMPTY_WORKBENCH, type WorkbenchState } from './model';

/** Steps that can be undone. */
const MOST_STEPS = 300;

const steps = createReducer(
  EMPTY_WORKBENCH,
  on(
    SongActions.opened,
    (state, { song, revision, place, isReadOnly, isDirty = false, stored = song }): WorkbenchState => ({
      ...EMPTY_WORKBENCH,
      profiles: state.profiles,
      song,
      revision,
      stored,
      place,
      isReadOnly,
      isDirty,
      isArranging: true,
    }),
  ),
  on(SongActions.missing, (state, { id }): WorkbenchState => ({ ...state, missing: id })),
  on(SongActions.closed, (state, { id }): WorkbenchState =>
    state.song === null || state.song.id === id ? { ...EMPTY_WORKBENCH, profiles: state.profiles } : state,
  ),
  on(SongActions.edited, (state, { edit }): WorkbenchState => {
    if (!state.song || state.isReadOnly) return state;
    const session = sessionOf(edit);
    const goesOn = session !== null && state.past.at(-1)?.session === session;
    const step = { song: state.song, what: describeEdit(edit), session };
    const past = goesOn ? state.past : [...state.past, step].slice(-MOST_STEPS);
    return { ...state, ...changed, song: applyEdit(state.song, edit), past, future: [] };
  }),
  on(SongActions.undone, (state): WorkbenchState => {
    const step = state.past[state.past.length - 1];
    if (!step || !state.song || state.isReadOnly) return state;
    const future = [...state.future, { song: state.song, what: step.what }];
    return { ...state, ...changed, song: step.song, past: state.past.slice(0, -1), future };
  }),
  on(SongActions.redone, (state): WorkbenchState => {
    const step = state.future[state.future.length - 1];
    if (!step || !state.song || state.isReadOnly) return state;
    const past = [...state.past, { song: state.song, what: step.what }];
    return { ...state, ...changed, song: step.song, past, future: state.future.slice(0, -1) };
  }),
  on(SongActions.saved, (state, { song, revision }): WorkbenchState => {
    if (state.song?.id !== song.id) return state;
    const isDirty = state.song !== song;
    return { ...state, revision, stored: song, isDirty, unsaved: null };
  }),
  on(SongActions.saveFailed, (state, { problem }): WorkbenchState => ({ ...state, unsaved: problem })),
  on(SongActions.overtaken, (state, { id }): WorkbenchState =>
    state.song?.id === id ? { ...state, isReadOnly: true } : state,
  ),
  on(SongActions.unreadable, (state, { id, reason }): WorkbenchState => ({
    ...state,
    unreadable: { id, reason },
  })),
  on(SongActions.wentWrong, (state, { problem }): WorkbenchState => ({
    ...state,
    problem,
    isArranging: false,
  })),
  on(PlaceActions.moved, (state, { place }): WorkbenchState => ({
    ...state,
    place: { ...state.place, ...place },
  })),
  on(ProfileActions.read, (state, { profiles }): WorkbenchState => ({ ...state, profiles })),
  on(ProfileActions.changed, (state, { profile }): WorkbenchState => {
    const isKnown = state.profiles.some(({ id }) => id === profile.id);
    const profiles = isKnown
      ? state.profiles.map((own) => (own.id === profile.id ? profile : own))
      : [...state.profiles, profile];
    return { ...state, profiles, isArranging: state.song !== null };
  }),
  on(ProfileActions.deleted, (state, { id }): WorkbenchState => {
    const left = state.profiles.filter((own) => own.id !== id);
    return { ...state, profiles: left.length > 0 ? left : state.profiles };
  }),
  on(ArrangementActions.came, (state, { arrangement }): WorkbenchState => {
    if (state.song?.id !== arrangement.song.id) return state;
    const part = Math.min(state.place.part, arrangement.parts.length - 1);
    const place = part === state.place.part ? state.place : { ...state.place, part };
    return { ...state, arrangement, place, isArranging: arrangement.isPartial };
  }),
);

/** The profile follows the song, whatever came of an action: an edit or its undoing may name another. */
function reducer(before: WorkbenchState | undefined, action: Action): WorkbenchState {
  const state = steps(before, action);
  const profile = state.song ? profileOf(state.song, state.profiles) : state.profiles[0];
  return profile === state.profile ? state : { ...state, profile };
}

const changed = { isDirty: true, isArranging: true } as const;

export const workbench = createFeature({ name: 'workbench', reducer });
