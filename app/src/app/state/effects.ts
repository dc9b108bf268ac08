import { inject, Injectable } from '@angular/core';
import { factsOf } from '@joined-hands/core/arrangement';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  filter,
  from,
  map,
  of,
  switchMap,
  withLatestFrom,
} from 'rxjs';
import { SongStore, StaleRevisionError } from '../storage/song-store';
import { ArrangerClient } from '../workers/arranger';
import { ArrangementActions, PlaceActions, ProfileActions, SongActions } from './actions';
import { workbench } from './reducer';

/** Well inside the second an edit may be lost at most. */
const AUTOSAVE_MS = 400;

/** What follows from actions: arranging in the worker, saving in the browser. */
@Injectable()
export class WorkbenchEffects {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly songs = inject(SongStore);
  private readonly arranger = inject(ArrangerClient);
  private readonly state = this.store.select(workbench.selectWorkbenchState);

  readonly arrange = createEffect(() =>
    this.actions.pipe(
      ofType(
        SongActions.opened,
        SongActions.edited,
        SongActions.undone,
        SongActions.redone,
        ProfileActions.changed,
      ),
      withLatestFrom(this.state),
      switchMap(([action, { song, profile, place }]) => {
        if (!song) return EMPTY;
        const edit = action.type === SongActions.edited.type ? action.edit : null;
        return this.arranger.arrange(song, profile, place.part, edit).pipe(
          map((arrangement) => ArrangementActions.came({ arrangement })),
          catchError((error: unknown) =>
            of(SongActions.wentWrong({ problem: sentence('The song could not be arranged', error) })),
          ),
        );
      }),
    ),
  );

  readonly save = createEffect(() =>
    this.actions.pipe(
      ofType(SongActions.edited, SongActions.undone, SongActions.redone),
      debounceTime(AUTOSAVE_MS),
      withLatestFrom(this.state),
      filter(([, state]) => state.isDirty && !state.isReadOnly),
      concatMap(() => from(this.saveNow())),
      filter((action) => action !== null),
    ),
  );

  readonly savePlace = createEffect(
    () =>
      this.actions.pipe(
        ofType(PlaceActions.moved),
        debounceTime(AUTOSAVE_MS),
        withLatestFrom(this.state),
        concatMap(([, { song, place, isReadOnly }]) =>
          song && !isReadOnly ? from(this.songs.savePlace(song.id, place)) : EMPTY,
        ),
      ),
    { dispatch: false },
  );

  readonly saveProfile = createEffect(
    () =>
      this.actions.pipe(
        ofType(ProfileActions.changed),
        concatMap(({ profile }) => from(this.songs.saveProfile(profile))),
      ),
    { dispatch: false },
  );

  /** Writes the open song at once; gives the action that says how it went, null when there was nothing to do. */
  async saveNow(): Promise<
    ReturnType<typeof SongActions.saved> | ReturnType<typeof SongActions.wentWrong> | null
  > {
    const { song, place, revision, isDirty, isReadOnly, arrangement } = this.store.selectSignal(
      workbench.selectWorkbenchState,
    )();
    if (!song || !isDirty || isReadOnly) return null;
    try {
      const next = await this.songs.save(
        song,
        place,
        revision,
        arrangement?.song === song ? factsOf(song, arrangement.played, arrangement.parts) : null,
      );
      return SongActions.saved({ song, revision: next });
    } catch (error) {
      const problem =
        error instanceof StaleRevisionError ? error.message : sentence('The song could not be saved', error);
      return SongActions.wentWrong({ problem });
    }
  }
}

function sentence(what: string, error: unknown): string {
  return `${what}: ${error instanceof Error ? error.message : String(error)}. Export the project file to keep your work.`;
}
