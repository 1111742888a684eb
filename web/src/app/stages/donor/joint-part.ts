import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { joints, rankRings, type JointResult, type PartSearch, type SearchedJoint } from '@intervex/core';
import { CounterService } from '../../state/counter.service';
import { PlanStore } from '../../state/plan-store';
import { VERDICT_WORDS } from './verdict-words';
import { UnitsService } from '../../state/units.service';

/** How many of what comes near are shown where nothing joins. */
const MOST_NEAR = 3;

/** What the parts counter has for a bearing or a seal, nearest first; one of them is chosen. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-joint-part',
  imports: [MatButtonModule, MatIconModule],
  providers: [CounterService],
  templateUrl: './joint-part.html',
  styleUrl: './joint-part.scss',
})
export class JointPart {
  protected readonly counter = inject(CounterService);
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  readonly id = input.required<SearchedJoint>();

  protected readonly words = VERDICT_WORDS;
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
    const [kind, seat] = [this.id(), this.seat()];
    if (!seat) return;
    const { inside, outside, width, journalOpen = false } = seat;
    const sizes = { inside, outside, ...(width === undefined ? {} : { width }) };
    await this.counter.keep(kind, { kind, sizes, open: journalOpen });
  }
}
