import { DestroyRef, inject, signal, type Signal } from '@angular/core';

const NARROW = '(max-width: 760px)';

/** Whether the page is as narrow as a phone. Call it where injection is possible. */
export function narrowPage(): Signal<boolean> {
  const query = typeof matchMedia === 'function' ? matchMedia(NARROW) : undefined;
  const narrow = signal(query?.matches ?? false);
  const follow = () => {
    narrow.set(query?.matches ?? false);
  };
  query?.addEventListener('change', follow);
  inject(DestroyRef).onDestroy(() => query?.removeEventListener('change', follow));
  return narrow;
}
