import { computed, Injectable, signal } from '@angular/core';
import { remember, remembered } from './memory';

/** What stands where nobody said who he is. */
const NOBODY = 'bench';

/** Who is at the bench; stands beside every change and acceptance. */
@Injectable({ providedIn: 'root' })
export class PersonService {
  private readonly told = signal(remembered('person') ?? '');
  readonly name = computed(() => this.told() || NOBODY);
  readonly known = computed(() => this.told() !== '');
  /** Whether to ask: once, and not again where the answer was that it does not matter. */
  readonly asks = signal(!this.known() && remembered('person.asked') === null);

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
    this.asks.set(false);
    remember('person.asked', 'yes');
  }
}
