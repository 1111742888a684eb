import type { Routes } from '@angular/router';
import { planRoutes } from './plan-routes';
import { Landing } from './projects/landing';
import { known } from './state/door';

/** A plan’s own page comes with the first script: nearly everybody lands there, and in one piece it packs smaller. */
export const routes: Routes = [
  {
    path: '',
    canActivate: [known],
    children: [
      { path: '', pathMatch: 'full', component: Landing },
      {
        path: 'projects',
        title: 'Projects, Intervex',
        loadComponent: () => import('./projects/projects-page').then((m) => m.ProjectsPage),
      },
      {
        path: 'data',
        title: 'Your data, Intervex',
        loadComponent: () => import('./house/data-page').then((m) => m.DataPage),
      },
      {
        path: 'workshop',
        title: 'Workshop, Intervex',
        loadComponent: () => import('./house/workshop-page').then((m) => m.WorkshopPage),
      },
      { path: 'plan/:variantId', children: planRoutes },
    ],
  },
  {
    path: 'login',
    title: 'Come in, Intervex',
    loadComponent: () => import('./house/login-page').then((m) => m.LoginPage),
  },
  {
    path: 'join',
    title: 'Pair this device, Intervex',
    loadComponent: () => import('./house/join-page').then((m) => m.JoinPage),
  },
  {
    path: 'guest',
    title: 'Guest, Intervex',
    loadComponent: () => import('./house/guest-page').then((m) => m.GuestPage),
  },
  { path: '**', redirectTo: 'projects' },
];
