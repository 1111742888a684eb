import { DOCUMENT, inject, Injectable, signal } from '@angular/core';
import { remember, remembered } from './memory';

/** Light or dark. Follows the system until somebody chooses. */
@Injectable({ providedIn: 'root' })
export class ThemeService {
  private readonly root = inject(DOCUMENT).documentElement;
  readonly dark = signal(startsDark());

  apply(): void {
    this.root.classList.toggle('dark', this.dark());
  }

  toggle(): void {
    this.dark.update((dark) => !dark);
    remember('theme', this.dark() ? 'dark' : 'light');
    this.apply();
  }
}

function startsDark(): boolean {
  const chosen = remembered('theme');
  return chosen ? chosen === 'dark' : globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches;
}
