import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router } from '@angular/router';
import { ProjectsService } from '../state/projects.service';
import { remember, remembered } from '../state/memory';

/** Opens the plan last worked on, else the first project, else the list. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-landing',
  template: '<p role="status" style="padding: 32px">Opening…</p>',
})
export class Landing {
  constructor() {
    void this.goOn(inject(ProjectsService), inject(Router));
  }

  private async goOn(all: ProjectsService, router: Router): Promise<void> {
    const projects = await all.all().catch(() => []);
    const variants = projects.flatMap((p) => p.variants).map((v) => v.id);
    const before = remembered('variant');
    // Among thousands the last one need not be on the first page.
    const there = before !== null && (variants.includes(before) || (await all.has(before)));
    const last = there ? before : variants[0];
    if (last) remember('variant', last);
    await router.navigate(last ? ['/plan', last] : ['/projects'], { replaceUrl: true });
  }
}
