import type { Route, Routes } from '@angular/router';
import { STAGES, type StageId } from '@intervex/core';
import { Shell } from './shell/shell';
import { MAIN_STAGE, SCREENS } from './stages';
import { StageScreenView } from './stage/stage-screen';

/** Every stage on the same frame; how it looks comes when it is opened. */
const stages = STAGES.map(({ id, title }: { readonly id: StageId; readonly title: string }): Route => ({
  path: id,
  title: `${title}, Intervex`,
  component: StageScreenView,
  data: { stage: id },
  resolve: { look: () => SCREENS[id].open() },
}));

/** What is shown of a plan: its stages, its readings, its routes side by side. */
export const planRoutes: Routes = [
  {
    path: '',
    component: Shell,
    children: [
      { path: '', pathMatch: 'full', redirectTo: MAIN_STAGE },
      { path: 'start', redirectTo: STAGES[0].id },
      ...stages,
      {
        path: 'readings',
        title: 'Readings, Intervex',
        loadComponent: () => import('./log/readings-page').then((m) => m.ReadingsPage),
      },
      {
        path: 'history',
        title: 'History, Intervex',
        loadComponent: () => import('./log/history-page').then((m) => m.HistoryPage),
      },
      {
        path: 'routes',
        title: 'Routes, Intervex',
        loadComponent: () => import('./compare/routes-page').then((m) => m.RoutesPage),
      },
    ],
  },
];
