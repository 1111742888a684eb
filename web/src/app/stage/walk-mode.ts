import { computed, signal } from '@angular/core';
import { narrowPage } from './narrow-page';

/**
 * Whether a stage shows one reading at a time: by itself on a phone where that is its work, or when asked for.
 * Call it where injection is possible.
 *
 * @param byItself a phone begins with it
 */
export function walkMode(byItself: () => boolean) {
  const narrow = narrowPage();
  const chosen = signal<'walk' | 'list' | undefined>(undefined);
  return {
    walking: computed(() => (chosen() ?? (byItself() && narrow() ? 'walk' : 'list')) === 'walk'),
    choose: (mode: 'walk' | 'list') => {
      chosen.set(mode);
    },
  };
}
