import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import {
  inject,
  provideAppInitializer,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { routes } from './routes';
import { registerIcons } from './shared/icons';
import { ended } from './state/door';
import { ThemeService } from './state/theme.service';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch(), withInterceptors([ended])),
    provideRouter(routes, withComponentInputBinding()),
    provideAppInitializer(() => {
      registerIcons();
      inject(ThemeService).apply();
    }),
  ],
};
