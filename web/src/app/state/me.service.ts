import { HttpClient } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import type { Me } from '@intervex/contract/wire';
import { firstValueFrom } from 'rxjs';

/** At this computer with nothing shared there is one owner, and nobody asks. */
const ALONE: Me = { shared: false, role: 'owner' };

/** Who the page is to the server, and so what it may do. */
@Injectable({ providedIn: 'root' })
export class MeService {
  private readonly http = inject(HttpClient);
  private readonly told = signal<Me>(ALONE);
  readonly me = this.told.asReadonly();
  private asked: Promise<Me> | undefined;

  /** Asks once; a server that does not answer is asked again the next time. */
  know(): Promise<Me> {
    this.asked ??= firstValueFrom(this.http.get<Me>('/api/me')).then(
      (me) => {
        this.told.set(me);
        return me;
      },
      () => {
        this.asked = undefined;
        return this.told();
      },
    );
    return this.asked;
  }

  /** Somebody came in or left. */
  renew(): Promise<Me> {
    this.asked = undefined;
    return this.know();
  }
}
