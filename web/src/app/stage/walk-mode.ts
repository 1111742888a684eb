import { BreakpointObserver } from '@angular/cdk/layout';
import { computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/**
 * Whether a stage shows one reading at a time: by itself on a phone where that is its work, or when asked for.
 * Call it where injection is possible.
 *
 * @param byItself a phone begins with it
 */
export function walkMode(byItself: () => boolean) {
  const narrow = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 760px)')
      .pipe(map((s) => s.matches)),
    { initialValue: false },
  );
  const chosen = signal<'walk' | 'list' | undefined>(undefined);
  return {
    walking: computed(() => (chosen() ?? (byItself() && narrow() ? 'walk' : 'list')) === 'walk'),
    choose: (mode: 'walk' | 'list') => {
      chosen.set(mode);
    },
  };
}
