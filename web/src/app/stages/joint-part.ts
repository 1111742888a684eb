import { Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { PartsAnswer } from '@intervex/contract/wire';
import { joints, rankRings, type JointResult, type PartSearch, type SearchedJoint } from '@intervex/core';
import { firstValueFrom, Subject, takeUntil } from 'rxjs';
import { ApiService, sentenceOf } from '../state/api.service';
import { PersonService } from '../state/person.service';
import { PlanStore } from '../state/plan-store';
import { VERDICT_WORDS } from './verdict-words';

/** How many of what comes near are shown where nothing joins. */
const MOST_NEAR = 3;

/** What the parts counter has for a bearing or a seal, nearest first; one of them is chosen. */
@Component({
  selector: 'ix-joint-part',
  imports: [MatButtonModule, MatIconModule],
  templateUrl: './joint-part.html',
  styleUrl: './joint-part.scss',
})
export class JointPart {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  private readonly store = inject(PlanStore);
  readonly id = input.required<SearchedJoint>();

  protected readonly words = VERDICT_WORDS;
  protected readonly asking = signal(false);
  protected readonly stopped = new Subject<void>();
  protected readonly trouble = signal('');
  private readonly joint = computed(
    () =>
      this.store
        .results()
        .of(joints)
        .find((j) => j.id === this.id()) as JointResult,
  );
  protected readonly search = computed<PartSearch | undefined>(() => this.store.plan().searches[this.id()]);
  /** Sizes that the counter is asked for; undefined until both are known. */
  protected readonly seat = computed(() => this.joint().seat);
  protected readonly offers = computed(() => {
    const [search, seat] = [this.search(), this.seat()];
    if (!search || !seat) return [];
    const ranked = rankRings(search.found, seat);
    const joining = ranked.filter((r) => r.verdict !== 'no');
    return joining.length ? joining : ranked.slice(0, MOST_NEAR);
  });

  /** Asks the counter and keeps its answer with the plan, dated. */
  protected async ask(): Promise<void> {
    const [joint, seat] = [this.id(), this.seat()];
    if (!seat) return;
    this.asking.set(true);
    this.trouble.set('');
    try {
      const { inside, outside, width, journalOpen = false } = seat;
      const sizes = { inside, outside, ...(width === undefined ? {} : { width }) };
      const asked = this.api.parts(joint, { ...sizes, open: journalOpen }).pipe(takeUntil(this.stopped));
      const answer = await firstValueFrom(asked, { defaultValue: undefined });
      if (!answer) return;
      this.store.setSearch(joint, this.record(answer, sizes));
      this.store.saveNow();
      if (answer.trouble) this.trouble.set(`${answer.trouble}: this is its last known list.`);
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    } finally {
      this.asking.set(false);
    }
  }

  protected pick(number: string): void {
    const search = this.search();
    if (!search) return;
    this.store.setSearch(this.id(), { ...search, chosen: number });
    this.store.saveNow();
  }

  private record(answer: PartsAnswer, asked: Readonly<Record<string, number>>): PartSearch {
    const { of, offers, from, at } = answer;
    return { asked, of, found: offers, from, at, who: this.person.name() };
  }
}
