import type { Routes } from '@angular/router';

export const routes: Routes = [
  {
    path: '',
    title: 'Shelf · Joined Hands',
    loadComponent: () => import('./shelf/shelf').then((m) => m.Shelf),
  },
  {
    path: 'song/:id',
    title: 'Join · Joined Hands',
    loadComponent: () => import('./join/bench').then((m) => m.Bench),
  },
  {
    path: 'profile',
    title: 'Profile · Joined Hands',
    loadComponent: () => import('./profile/profile').then((m) => m.ProfileView),
  },
  { path: '**', redirectTo: '' },
];
