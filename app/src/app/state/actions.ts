import type { Arrangement } from '@joined-hands/core/arrangement';
import { type Profile, type Song, type SongEdit } from '@joined-hands/core/song';
import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Place } from './model';

export const SongActions = createActionGroup({
  source: 'Song',
  events: {
    Opened: props<{ song: Song; revision: number; place: Place; isReadOnly: boolean }>(),
    Closed: emptyProps(),
    Edited: props<{ edit: SongEdit }>(),
    Undone: emptyProps(),
    Redone: emptyProps(),
    Saved: props<{ song: Song; revision: number }>(),
    'Taken Over Elsewhere': emptyProps(),
    'Went Wrong': props<{ problem: string | null }>(),
  },
});

export const PlaceActions = createActionGroup({
  source: 'Place',
  events: { Moved: props<{ place: Partial<Place> }>() },
});

export const ProfileActions = createActionGroup({
  source: 'Profile',
  events: { Read: props<{ profile: Profile }>(), Changed: props<{ profile: Profile }>() },
});

export const ArrangementActions = createActionGroup({
  source: 'Arrangement',
  events: { Came: props<{ arrangement: Arrangement }>() },
});
