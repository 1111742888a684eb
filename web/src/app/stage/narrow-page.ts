import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/** Whether the page is as narrow as a phone. Call it where injection is possible. */
export const narrowPage = (): Signal<boolean> =>
  toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 760px)')
      .pipe(map((s) => s.matches)),
    { initialValue: false },
  );
