import { BreakpointObserver } from '@angular/cdk/layout';
import { computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/**
 * Whether a stage shows one reading at a time: by itself on a phone, or when asked for.
 * Call it where injection is possible.
 */
export function walkMode() {
  const narrow = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 760px)')
      .pipe(map((s) => s.matches)),
    { initialValue: false },
  );
  const chosen = signal<'walk' | 'list' | undefined>(undefined);
  return {
    walking: computed(() => (chosen() ?? (narrow() ? 'walk' : 'list')) === 'walk'),
    choose: (mode: 'walk' | 'list') => {
      chosen.set(mode);
    },
  };
}
