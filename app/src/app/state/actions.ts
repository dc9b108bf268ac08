import type { Arrangement } from '@joined-hands/core/arrangement';
import { type Profile, type Song, type SongEdit } from '@joined-hands/core/song';
import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Place } from '../storage/place';

export const SongActions = createActionGroup({
  source: 'Song',
  events: {
    /** The song is wanted on screen; with `takeOver` its lock is taken from another tab. */
    'Open Asked': props<{ id: string; takeOver: boolean }>(),
    /** The view of the song goes away. */
    'Leave Asked': props<{ id: string }>(),
    /** The page may go away: what is unsaved is stored at once. */
    'Save Asked': emptyProps(),
    Missing: props<{ id: string }>(),
    Opened: props<{
      song: Song;
      revision: number;
      place: Place;
      isReadOnly: boolean;
      /** It was found written down, and is not stored yet. */
      isDirty?: boolean;
      /** What the store has, where that is another. */
      stored?: Song | null;
    }>(),
    Closed: props<{ id: string }>(),
    Edited: props<{ edit: SongEdit }>(),
    Undone: emptyProps(),
    Redone: emptyProps(),
    Saved: props<{ song: Song; revision: number }>(),
    /** The store did not take it; it is tried again. */
    'Save Failed': props<{ problem: string }>(),
    /** Another tab has the song now: this one has lost it. */
    Overtaken: props<{ id: string }>(),
    /** What lies under the id is no song. */
    Unreadable: props<{ id: string; reason: string }>(),
    'Went Wrong': props<{ problem: string | null }>(),
  },
});

export const PlaceActions = createActionGroup({
  source: 'Place',
  events: { Moved: props<{ place: Partial<Place> }>() },
});

export const ProfileActions = createActionGroup({
  source: 'Profile',
  events: {
    Read: props<{ profiles: readonly Profile[] }>(),
    /** One that is new, or has changed. */
    Changed: props<{ profile: Profile }>(),
    Deleted: props<{ id: string }>(),
    /** Every change so far is on this device. */
    Stored: emptyProps(),
  },
});

export const ArrangementActions = createActionGroup({
  source: 'Arrangement',
  events: { Came: props<{ arrangement: Arrangement }>() },
});
