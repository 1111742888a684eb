import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router } from '@angular/router';
import { LandingService } from '../state/landing.service';

/** Opens the plan last worked on, else the first project, else the list. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-landing',
  template: '<p role="status" style="padding: 32px">Opening…</p>',
})
export class Landing {
  constructor() {
    const router = inject(Router);
    void inject(LandingService)
      .variant()
      .then((last) => router.navigate(last ? ['/plan', last] : ['/projects'], { replaceUrl: true }));
  }
}
