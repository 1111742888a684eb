import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', loadComponent: () => import('./projects/landing').then((m) => m.Landing) },
  {
    path: 'projects',
    title: 'Projects, Intervex',
    loadComponent: () => import('./projects/projects-page').then((m) => m.ProjectsPage),
  },
  {
    path: 'plan/:variantId',
    loadComponent: () => import('./shell/shell').then((m) => m.Shell),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'cut' },
      {
        path: 'brief',
        title: 'Brief, Intervex',
        loadComponent: () => import('./stages/brief').then((m) => m.BriefStage),
      },
      {
        path: 'survey',
        title: 'Survey, Intervex',
        loadComponent: () => import('./stages/survey').then((m) => m.SurveyStage),
      },
      {
        path: 'donor',
        title: 'Donor, Intervex',
        loadComponent: () => import('./stages/donor/donor').then((m) => m.DonorStage),
      },
      {
        path: 'stance',
        title: 'Stance, Intervex',
        loadComponent: () => import('./stages/stance/stance').then((m) => m.StanceStage),
      },
      {
        path: 'cut',
        title: 'Cut, Intervex',
        loadComponent: () => import('./stages/cut').then((m) => m.CutStage),
      },
      {
        path: 'shafts',
        title: 'Shafts, Intervex',
        loadComponent: () => import('./stages/shafts/shafts').then((m) => m.ShaftsStage),
      },
      {
        path: 'hubs',
        title: 'Hub ends, Intervex',
        loadComponent: () => import('./stages/hubs/hubs').then((m) => m.HubsStage),
      },
      {
        path: 'readings',
        title: 'Readings, Intervex',
        loadComponent: () => import('./log/readings-page').then((m) => m.ReadingsPage),
      },
      {
        path: 'routes',
        title: 'Routes, Intervex',
        loadComponent: () => import('./compare/routes-page').then((m) => m.RoutesPage),
      },
      {
        path: 'sheets',
        title: 'Sheets, Intervex',
        loadComponent: () => import('./stages/sheets').then((m) => m.SheetsStage),
      },
    ],
  },
  { path: '**', redirectTo: 'projects' },
];
