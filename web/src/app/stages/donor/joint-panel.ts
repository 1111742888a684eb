import { Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { PartsAnswer } from '@intervex/contract/wire';
import {
  rankRings,
  SEARCHED,
  VERDICTS,
  type JointId,
  type JointNote,
  type JointResult,
  type PartSearch,
  type SearchedJoint,
} from '@intervex/core';
import { firstValueFrom, Subject, takeUntil } from 'rxjs';
import { FactField } from '../../readings/fact-field';
import { ReadingField } from '../../readings/reading-field';
import { ApiService, sentenceOf } from '../../state/api.service';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';
import { VERDICT_WORDS } from './mating-table';

/** How many of what comes near are shown where nothing joins. */
const MOST_NEAR = 3;
/** Most that a cost or hours may be. */
const MOST_COST = 1_000_000;
const MOST_HOURS = 5000;

/** One joint: what its faces are made of, what the parts counter has for it, and what the builder decides. */
@Component({
  selector: 'ix-joint',
  imports: [FactField, FormsModule, MatButtonModule, MatIconModule, ReadingField],
  templateUrl: './joint-panel.html',
  styleUrl: './joint-panel.scss',
})
export class JointPanel {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  protected readonly store = inject(PlanStore);
  readonly id = input.required<JointId>();

  protected readonly verdicts = VERDICTS;
  protected readonly words = VERDICT_WORDS;
  protected readonly asking = signal(false);
  protected readonly stopped = new Subject<void>();
  protected readonly trouble = signal('');
  protected readonly problem = signal('');
  protected readonly joint = computed(
    () => this.store.results().mating.find((j) => j.id === this.id()) as JointResult,
  );
  protected readonly note = computed<JointNote>(() => this.store.plan().joints[this.id()] ?? {});
  protected readonly quantities = computed(() => this.parts(false));
  protected readonly facts = computed(() => this.parts(true).map((place) => place.slice('fact.'.length)));
  protected readonly searched = computed<SearchedJoint | undefined>(() =>
    SEARCHED.find((j) => j === this.id()),
  );
  protected readonly search = computed<PartSearch | undefined>(() => {
    const joint = this.searched();
    return joint && this.store.plan().searches[joint];
  });
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
    const [joint, seat] = [this.searched(), this.seat()];
    if (!joint || !seat) return;
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
    const [joint, search] = [this.searched(), this.search()];
    if (!joint || !search) return;
    this.store.setSearch(joint, { ...search, chosen: number });
    this.store.saveNow();
  }

  protected text(key: 'work' | 'owner' | 'reason', text: string): void {
    this.put(key, text.trim().slice(0, 200) || undefined);
  }

  /** Takes a number, or says what is wrong with it and changes nothing. */
  protected amount(key: 'cost' | 'hours', text: string): void {
    const most = key === 'cost' ? MOST_COST : MOST_HOURS;
    const value = Number(text.replace(',', '.'));
    const ok = Number.isFinite(value) && value >= 0 && value <= most;
    this.problem.set(
      ok ? '' : `“${text}” is no ${key === 'cost' ? 'cost' : 'number of hours'} between 0 and ${most}.`,
    );
    if (ok) this.put(key, text.trim() === '' ? undefined : value);
  }

  /** A verdict of one’s own needs its reason; without one the computed verdict stands. */
  protected judge(text: string, reason: string): void {
    const verdict = VERDICTS.find((v) => v === text);
    if (verdict && reason.trim().length < 3) {
      this.problem.set('Write the reason for your own verdict first.');
      return;
    }
    this.problem.set('');
    const { verdict: _v, reason: _r, ...rest } = this.note();
    this.write(verdict ? { ...rest, verdict, reason: reason.trim() } : rest);
  }

  private put<K extends keyof JointNote>(key: K, value: JointNote[K] | undefined): void {
    const { [key]: _before, ...rest } = this.note();
    this.write(value === undefined ? rest : { ...rest, [key]: value });
  }

  private write(note: JointNote): void {
    this.store.setJoint(this.id(), Object.keys(note).length ? note : undefined);
    this.store.saveNow();
  }

  private record(answer: PartsAnswer, asked: Readonly<Record<string, number>>): PartSearch {
    const { of, offers, from, at } = answer;
    return { asked, of, found: offers, from, at, who: this.person.name() };
  }

  private parts(facts: boolean): readonly string[] {
    const all = this.joint().faces.flatMap((f) => f.from);
    return [...new Set(all)].filter((place) => place.startsWith('fact.') === facts);
  }
}
