import { inject, Injectable } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from './api.service';
import { remember, remembered } from './memory';

/** Knows where work goes on. */
@Injectable({ providedIn: 'root' })
export class LandingService {
  private readonly api = inject(ApiService);

  /** The variant last worked on, else the first there is; nothing where there is none. */
  async variant(): Promise<string | undefined> {
    const projects = await firstValueFrom(this.api.projects()).catch(() => []);
    const variants = projects.flatMap((p) => p.variants).map((v) => v.id);
    const before = remembered('variant');
    // Among thousands the last one need not be on the first page.
    const there = before !== null && (variants.includes(before) || (await this.has(before)));
    const last = there ? before : variants[0];
    if (last) remember('variant', last);
    return last;
  }

  private has(variant: string): Promise<boolean> {
    return firstValueFrom(this.api.history(variant, undefined, 1)).then(
      () => true,
      () => false,
    );
  }
}
