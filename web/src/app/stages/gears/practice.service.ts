import { HttpClient } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import type { Difficulty, PracticeSet } from '@intervex/contract/wire';
import type { SetShims, SetUpWindow, ShimKit, Trial } from '@intervex/core';
import { setUpByAdvice } from '@intervex/core/desks/gears';
import { firstValueFrom, type Observable } from 'rxjs';
import { remember, remembered } from '../../state/memory';
import { sentenceOf } from '../../state/refusals';

const AT = '/api/practice';
const KEY = 'practice';

/** The gear set that is practised on. It stands on its bench, never in a plan; this browser remembers which. */
@Injectable()
export class PracticeService {
  private readonly http = inject(HttpClient);
  readonly set = signal<PracticeSet | undefined>(undefined);
  readonly busy = signal(false);
  readonly trouble = signal('');
  /** What the advice alone would have done with an opened set. */
  readonly byAdvice = signal<readonly Trial[]>([]);

  /** Goes on with the set of before, where there is one. */
  async resume(): Promise<void> {
    const id = remembered(KEY);
    if (id) await this.asked(this.http.get<PracticeSet>(`${AT}/${id}`));
  }

  async begin(difficulty: Difficulty): Promise<void> {
    this.byAdvice.set([]);
    const set = await this.asked(this.http.post<PracticeSet>(AT, { difficulty }));
    if (set) remember(KEY, set.id);
  }

  /** @returns whether the trial counts */
  async attempt(shims: SetShims): Promise<boolean> {
    return (await this.asked(this.http.post<PracticeSet>(`${this.at()}/trials`, shims))) !== undefined;
  }

  /** Ends it: shows its truth, and how the advice alone would have come there. */
  async open(window: SetUpWindow, kit: ShimKit): Promise<void> {
    await this.asked(this.http.post<PracticeSet>(`${this.at()}/open`, {}));
    await this.compare(window, kit);
  }

  /** Lets the advice set an opened set up by itself. */
  async compare(window: SetUpWindow, kit: ShimKit): Promise<void> {
    const set = this.set();
    if (!set?.truth) return;
    const show = (shims: SetShims) => firstValueFrom(this.http.post<Trial>(`${AT}/${set.id}/what-if`, shims));
    try {
      this.byAdvice.set(await setUpByAdvice(set.first, show, window, kit));
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }

  /** Leaves the set where it is. */
  leave(): void {
    remember(KEY, '');
    this.set.set(undefined);
    this.byAdvice.set([]);
    this.trouble.set('');
  }

  private at(): string {
    return `${AT}/${this.set()?.id ?? ''}`;
  }

  private async asked(question: Observable<PracticeSet>): Promise<PracticeSet | undefined> {
    this.busy.set(true);
    this.trouble.set('');
    try {
      const set = await firstValueFrom(question);
      this.set.set(set);
      return set;
    } catch (error) {
      this.trouble.set(sentenceOf(error));
      return undefined;
    } finally {
      this.busy.set(false);
    }
  }
}
