import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', loadComponent: () => import('./projects/landing').then((m) => m.Landing) },
  {
    path: 'projects',
    title: 'Projects, Intervex',
    loadComponent: () => import('./projects/projects-page').then((m) => m.ProjectsPage),
  },
  { path: 'plan/:variantId', loadChildren: () => import('./plan-routes').then((m) => m.planRoutes) },
  { path: '**', redirectTo: 'projects' },
];
