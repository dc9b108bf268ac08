import type { Routes, UrlMatchResult, UrlSegment } from '@angular/router';
import type { SongRoute } from './frame/song-route';

/** "song/…" and "song/…/tune": one view, so that changing the bench keeps the song open. */
function songAddress(segments: UrlSegment[]): UrlMatchResult | null {
  const [first, id, bench] = segments;
  if (first?.path !== 'song' || !id || segments.length > 3) return null;
  return { consumed: segments, posParams: bench ? { id, benchName: bench } : { id } };
}

export const routes: Routes = [
  {
    path: '',
    title: 'Shelf · Joined Hands',
    loadComponent: () => import('./shelf/shelf').then((m) => m.Shelf),
  },
  {
    matcher: songAddress,
    title: 'Song · Joined Hands',
    loadComponent: () => import('./frame/song-route').then((m) => m.SongRoute),
    canDeactivate: [(song: SongRoute) => song.mayLeave()],
  },
  {
    path: 'settings',
    title: 'Settings · Joined Hands',
    loadComponent: () => import('./settings/settings').then((m) => m.Settings),
  },
  { path: 'profile', redirectTo: 'settings' },
  {
    path: 'chords',
    title: 'Chord room · Joined Hands',
    loadComponent: () => import('./chord-room/chord-room').then((m) => m.ChordRoom),
  },
  { path: '**', redirectTo: '' },
];
