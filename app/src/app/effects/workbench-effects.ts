import { ApplicationRef, inject, Injectable } from '@angular/core';
import { factsOf } from '@joined-hands/core/arrangement';
import { type Song, songName } from '@joined-hands/core/song';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { type Action, Store } from '@ngrx/store';
import {
  catchError,
  concatMap,
  debounceTime,
  defer,
  EMPTY,
  filter,
  from,
  map,
  mergeMap,
  type MonoTypeOperatorFunction,
  of,
  switchMap,
  tap,
  withLatestFrom,
} from 'rxjs';
import { ArrangementActions, PlaceActions, ProfileActions, SongActions } from '../state/actions';
import { workbench } from '../state/reducer';
import { clearWritten, writtenDown } from '../storage/journal';
import { FIRST_PLACE } from '../storage/place';
import { SongLock } from '../storage/song-lock';
import { type OpenedSong, SongStore, UnreadableSongError } from '../storage/song-store';
import { Problems } from '../ui/problems';
import { ArrangerClient } from '../workers/arranger';
import { Saver } from './saver';
import { messageOf } from '../ui/message';

/** The place is stored when the pianist has come to rest, in milliseconds. */
const PLACE_MS = 400;

/** What follows from actions: arranging in the worker, saving in the browser. */
@Injectable()
export class WorkbenchEffects {
  private readonly app = inject(ApplicationRef);
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly songs = inject(SongStore);
  private readonly saver = inject(Saver);
  private readonly arranger = inject(ArrangerClient);
  private readonly lock = inject(SongLock);
  private readonly problems = inject(Problems);
  private readonly state = this.store.select(workbench.selectWorkbenchState);
  private readonly shown = this.store.selectSignal(workbench.selectWorkbenchState);

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
          // Views change in the task that brought it, and are drawn in the next: in one they would hold the page up.
          tap(() => queueMicrotask(() => this.app.tick())),
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
        defer(async () => {
          await this.saver.now();
          return action.type === SongActions.openAsked.type
            ? this.open(action.id, action.takeOver)
            : [this.close(action.id)];
        }).pipe(
          mergeMap((actions) => actions),
          catchError((error: unknown) => of(notOpened(action.id, error))),
        ),
      ),
    ),
  );

  readonly save = createEffect(
    () =>
      this.actions.pipe(
        ofType(SongActions.edited, SongActions.undone, SongActions.redone, SongActions.opened),
        tap(() => {
          if (this.shown().isDirty) this.saver.soon();
        }),
      ),
    { dispatch: false },
  );

  readonly pageGoes = createEffect(
    () =>
      this.actions.pipe(
        ofType(SongActions.saveAsked),
        tap(() => this.saver.pageGoes()),
      ),
    { dispatch: false },
  );

  readonly savePlace = createEffect(
    () =>
      this.actions.pipe(
        ofType(PlaceActions.moved),
        debounceTime(PLACE_MS),
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

  /** What the shelf tells of a song follows its arrangement. */
  readonly saveFacts = createEffect(
    () =>
      this.actions.pipe(
        ofType(ArrangementActions.came),
        filter(({ arrangement }) => !arrangement.isPartial && !this.shown().isReadOnly),
        debounceTime(PLACE_MS),
        concatMap(({ arrangement: { song, played, parts } }) =>
          from(this.songs.saveFacts(song.id, factsOf(song, played, parts))).pipe(
            this.said('Parts and length of the song could not be stored'),
          ),
        ),
      ),
    { dispatch: false },
  );

  readonly saveProfile = createEffect(() =>
    this.actions.pipe(
      ofType(ProfileActions.changed, ProfileActions.deleted),
      concatMap(() =>
        from(this.songs.saveProfiles(this.shown().profiles)).pipe(
          map(() => ProfileActions.stored()),
          this.said('The profiles could not be stored'),
        ),
      ),
    ),
  );

  /** A write that fails is said, and the next one is tried all the same. */
  private said<T>(what: string): MonoTypeOperatorFunction<T> {
    return catchError((error: unknown) => {
      this.problems.say(what, error);
      return EMPTY;
    });
  }

  /** Reads a song once its lock is held; read-only where another tab holds it. */
  private async open(id: string, takeOver: boolean): Promise<Action[]> {
    const holder = {
      handOver: () => this.saver.now(),
      lost: () => this.saver.lost(),
    };
    const mine = await this.lock.take(id, holder, takeOver);
    const found = await this.read(id, mine);
    if (!found) {
      this.lock.free(id);
      return [SongActions.missing({ id })];
    }
    if (found.isInBin)
      this.problems.tell(`“${found.song.title}” is in the bin. An edit brings it back to the shelf.`);
    const profiles = await this.songs.profiles();
    const isGone = found.song.profile !== null && !profiles.some(({ id }) => id === found.song.profile);
    if (isGone)
      this.problems.tell(
        `The profile of “${songName(found.song)}” is not on this device, so the song is arranged for “${profiles[0].name}”.`,
      );
    if (mine) await this.songs.opened(id);
    return [ProfileActions.read({ profiles }), SongActions.opened({ ...found, isReadOnly: !mine })];
  }

  /** The song as it is stored, or as it was written down when the page went before it could be stored. */
  private async read(
    id: string,
    mine: boolean,
  ): Promise<(OpenedSong & { readonly isDirty: boolean; readonly stored?: Song | null }) | null> {
    const stored = await this.songs.get(id);
    const noted = mine ? writtenDown(id, stored) : null;
    if (noted === 'lost') {
      clearWritten(id);
      const title = stored ? ` of “${stored.song.title}”` : '';
      this.problems.tell(`The last edit${title} could not be kept: another tab has stored the song since.`);
    }
    if (!noted || noted === 'lost') return stored ? { ...stored, isDirty: false } : null;
    const revision = stored?.revision ?? 0;
    const goesOn = noted.revision === revision || (noted.isWriting && noted.revision + 1 === revision);
    if (goesOn) {
      const place = stored?.place ?? FIRST_PLACE;
      return { song: noted.song, revision, place, isDirty: true, stored: stored?.song ?? null };
    }
    if (stored && JSON.stringify(stored.song) !== JSON.stringify(noted.song)) await this.keepCopy(noted.song);
    clearWritten(id);
    return stored ? { ...stored, isDirty: false } : null;
  }

  /** What another tab overtook is kept, as a song of its own. */
  private async keepCopy(song: Song): Promise<void> {
    const title = await this.songs.addNotStored(song);
    this.problems.tell(`What was not stored of “${song.title}” is on the shelf as “${title}”.`);
  }

  private close(id: string): Action {
    this.lock.free(id);
    return SongActions.closed({ id });
  }
}

function notOpened(id: string, error: unknown): Action {
  if (error instanceof UnreadableSongError) return SongActions.unreadable({ id, reason: error.message });
  return SongActions.wentWrong({ problem: sentence('The song could not be opened', error) });
}

function sentence(what: string, error: unknown): string {
  return `${what}: ${messageOf(error)}.`;
}
