import { inject, Injectable } from '@angular/core';
import { factsOf } from '@joined-hands/core/arrangement';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { type Action, Store } from '@ngrx/store';
import {
  catchError,
  concat,
  concatMap,
  debounceTime,
  defer,
  EMPTY,
  filter,
  from,
  map,
  merge,
  mergeMap,
  type MonoTypeOperatorFunction,
  of,
  switchMap,
  withLatestFrom,
} from 'rxjs';
import { ArrangementActions, PlaceActions, ProfileActions, SongActions } from '../state/actions';
import { workbench } from '../state/reducer';
import { SongLock } from '../storage/song-lock';
import { SongStore, StaleRevisionError } from '../storage/song-store';
import { Problems } from '../ui/problems';
import { ArrangerClient } from '../workers/arranger';

/** Well inside the second an edit may be lost at most. */
const AUTOSAVE_MS = 400;

/** What follows from actions: arranging in the worker, saving in the browser. */
@Injectable()
export class WorkbenchEffects {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly songs = inject(SongStore);
  private readonly arranger = inject(ArrangerClient);
  private readonly lock = inject(SongLock);
  private readonly problems = inject(Problems);
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

  /** Opening and leaving one after the other: what is left is stored, and its lock free, before the next is read. */
  readonly openAndLeave = createEffect(() =>
    this.actions.pipe(
      ofType(SongActions.openAsked, SongActions.leaveAsked),
      concatMap((action) =>
        concat(
          defer(() => from(this.saveNow())).pipe(filter((saved) => saved !== null)),
          action.type === SongActions.openAsked.type
            ? defer(() => from(this.open(action.id, action.takeOver))).pipe(mergeMap((opened) => opened))
            : defer(() => of(this.close(action.id))),
        ).pipe(
          catchError((error: unknown) =>
            of(SongActions.wentWrong({ problem: sentence('The song could not be opened', error) })),
          ),
        ),
      ),
    ),
  );

  readonly save = createEffect(() =>
    merge(
      this.actions.pipe(
        ofType(SongActions.edited, SongActions.undone, SongActions.redone),
        debounceTime(AUTOSAVE_MS),
      ),
      this.actions.pipe(ofType(SongActions.saveAsked)),
    ).pipe(
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
          song && !isReadOnly
            ? from(this.songs.savePlace(song.id, place)).pipe(
                this.said('The place in the song could not be stored'),
              )
            : EMPTY,
        ),
      ),
    { dispatch: false },
  );

  readonly saveProfile = createEffect(
    () =>
      this.actions.pipe(
        ofType(ProfileActions.changed),
        concatMap(({ profile }) =>
          from(this.songs.saveProfile(profile)).pipe(this.said('The profile could not be stored')),
        ),
      ),
    { dispatch: false },
  );

  /** A write that fails is said, and the next one is tried all the same. */
  private said<T>(what: string): MonoTypeOperatorFunction<T> {
    return catchError((error: unknown) => {
      this.problems.say(what, error);
      return EMPTY;
    });
  }

  /** Reads a song once its lock is asked for; read-only where another tab holds it. */
  private async open(id: string, takeOver: boolean): Promise<Action[]> {
    const mine = await this.lock.take(
      id,
      () => this.store.dispatch(SongActions.takenOverElsewhere()),
      takeOver,
    );
    const stored = await this.songs.get(id);
    if (!stored) {
      this.lock.free(id);
      return [SongActions.missing({ id })];
    }
    const profile = await this.songs.profile();
    if (mine) await this.songs.opened(id);
    const { song, revision, place } = stored;
    return [
      ...(profile ? [ProfileActions.read({ profile })] : []),
      SongActions.opened({ song, revision, place, isReadOnly: !mine }),
    ];
  }

  private close(id: string): Action {
    this.lock.free(id);
    return SongActions.closed({ id });
  }

  /** Writes the open song at once; gives the action that says how it went, null when there was nothing to do. */
  private async saveNow(): Promise<
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
