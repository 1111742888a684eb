import { computed, inject, Injectable, signal } from '@angular/core';
import { MeService } from './me.service';
import { remember, remembered } from './memory';

/** What stands where nobody said who he is. */
const NOBODY = 'bench';

/** Who is at the bench; stands beside every change and acceptance. */
@Injectable({ providedIn: 'root' })
export class PersonService {
  private readonly told = signal(remembered('person') ?? '');
  private readonly me = inject(MeService).me;
  /** The server knows him by name, and nothing else counts. */
  readonly fixed = computed(() => this.me().name !== undefined);
  readonly name = computed(() => this.me().name ?? (this.told() || NOBODY));
  readonly known = computed(() => this.fixed() || this.told() !== '');
  /** Whether to ask: once, and not again where the answer was that it does not matter. */
  private readonly wants = signal(this.told() === '' && remembered('person.asked') === null);
  readonly asks = computed(() => this.wants() && !this.fixed());

  rename(name: string): void {
    const plain = name
      .replace(/[<>;\p{Cc}]/gu, '')
      .trim()
      .slice(0, 60);
    this.told.set(plain === NOBODY ? '' : plain);
    remember('person', this.told());
    this.asked();
  }

  /** It was asked, whatever the answer. */
  asked(): void {
    this.wants.set(false);
    remember('person.asked', 'yes');
  }
}
