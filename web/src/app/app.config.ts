import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import {
  inject,
  provideAppInitializer,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { provideRouter, withComponentInputBinding, withRouterConfig } from '@angular/router';
import { routes } from './routes';
import { registerIcons } from './shared/icons';
import { ended } from './state/door';
import { ThemeService } from './state/theme.service';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch(), withInterceptors([ended])),
    // A page that cannot be loaded is told of by the page that stays (App).
    provideRouter(
      routes,
      withComponentInputBinding(),
      withRouterConfig({ resolveNavigationPromiseOnError: true }),
    ),
    provideAppInitializer(() => {
      registerIcons();
      inject(ThemeService).apply();
    }),
  ],
};
