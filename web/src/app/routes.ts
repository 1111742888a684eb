import type { Routes } from '@angular/router';
import { known } from './state/door';

export const routes: Routes = [
  {
    path: '',
    canActivate: [known],
    children: [
      { path: '', pathMatch: 'full', loadComponent: () => import('./projects/landing').then((m) => m.Landing) },
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
      { path: 'plan/:variantId', loadChildren: () => import('./plan-routes').then((m) => m.planRoutes) },
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
