import { inject, Injectable, signal } from '@angular/core';
import type { PairsAnswer, PartsAnswer } from '@intervex/contract/wire';
import type { PartKind, PartOffer, SearchId } from '@intervex/core';
import type { PairQuestion } from '@intervex/core/desks/shafts';
import { firstValueFrom, Subject, takeUntil, type Observable } from 'rxjs';
import { ApiService } from './api.service';
import { sentenceOf } from './refusals';
import { PersonService } from './person.service';
import { PlanStore } from './plan-store';

/** What the counter is asked for: exact sizes, mm, or what comes near them. */
interface Question {
  readonly kind: PartKind;
  readonly sizes?: Readonly<Record<string, number>>;
  /** Sizes that what is listed has. */
  readonly near?: Readonly<Record<string, number>>;
  /** Sizes that the list is ordered by, the nearest first. */
  readonly like?: Readonly<Record<string, number>>;
  /** The journal that a ring slides on may be open at its end. */
  readonly open?: boolean;
}

/** Asks the parts counter. Each who asks provides its own, so that each knows of its own question only. */
@Injectable()
export class CounterService {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  private readonly store = inject(PlanStore);
  private readonly stopped = new Subject<void>();
  readonly asking = signal(false);
  /** Why there is no answer, or why it is an old one. */
  readonly trouble = signal('');

  /** The counter’s answer; undefined where it was stopped or there is none. */
  ask({ kind, sizes = {}, near, like, open }: Question): Promise<PartsAnswer | undefined> {
    const told = (of: Readonly<Record<string, number>>) =>
      Object.entries(of)
        .map(([size, mm]) => `${size}:${mm}`)
        .join(',');
    return this.answered(
      this.api.parts(kind, {
        ...sizes,
        ...(near ? { near: told(near) } : {}),
        ...(like ? { like: told(like) } : {}),
        ...(open === undefined ? {} : { open }),
      }),
    );
  }

  /**
   * Asks, and keeps the answer with the plan, dated.
   *
   * @param fits of what the counter has, only this is kept
   */
  async keep(
    as: SearchId,
    question: Question,
    fits: (offer: PartOffer) => boolean = () => true,
  ): Promise<void> {
    const answer = await this.ask(question);
    if (!answer) return;
    const { of, offers, from, at } = answer;
    const asked = question.near ?? question.like ?? question.sizes ?? {};
    this.store.put('searches', as, {
      asked,
      of,
      found: offers.filter(fits),
      from,
      at,
      who: this.person.name(),
    });
    this.store.saveNow();
  }

  /** Best pairs of shafts over all that the counter has. */
  pairs(question: PairQuestion): Promise<PairsAnswer | undefined> {
    return this.answered(this.api.shaftPairs(question));
  }

  /** One of what was found becomes the plan’s. */
  pick(as: SearchId, number: string): void {
    const search = this.store.plan().searches[as];
    if (!search) return;
    this.store.put('searches', as, { ...search, chosen: number });
    this.store.saveNow();
  }

  stop(): void {
    this.stopped.next();
  }

  private async answered<T extends { readonly trouble?: string }>(
    asked: Observable<T>,
  ): Promise<T | undefined> {
    this.asking.set(true);
    this.trouble.set('');
    try {
      const answer = await firstValueFrom(asked.pipe(takeUntil(this.stopped)), { defaultValue: undefined });
      if (answer?.trouble) this.trouble.set(`${answer.trouble}: this is its last known list.`);
      return answer;
    } catch (error) {
      this.trouble.set(sentenceOf(error));
      return undefined;
    } finally {
      this.asking.set(false);
    }
  }
}
