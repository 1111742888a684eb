import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  entryName,
  type Fact,
  factText,
  findFact,
  findQuantity,
  type LimitChange,
  type LimitId,
  LIMITS,
  type Photo,
  placeName,
  quantityName,
  readByTape,
  type Reading,
} from '@intervex/core';
import { bothOf, type PlanConflict } from '../state/merge-plans';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

/** Fields that another page changed meanwhile: which of both values stays is asked for each. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-conflict-fields',
  imports: [MatButtonModule],
  template: `
    <section role="alert" aria-label="Changed elsewhere">
      <h2>Somebody changed the same fields in another page</h2>
      <p>Nothing was overwritten. Choose for each field; saving goes on after the last.</p>
      @for (c of rows(); track c.conflict) {
        <div class="conflict">
          <b>{{ c.name }}</b>
          <button mat-stroked-button type="button" (click)="store.settle(c.conflict, 'mine')">
            Keep mine: {{ c.mine }}
          </button>
          <button mat-stroked-button type="button" (click)="store.settle(c.conflict, 'theirs')">
            Take theirs: {{ c.theirs }}
          </button>
          @if (c.both) {
            <button mat-stroked-button type="button" (click)="store.settle(c.conflict, 'both')">
              Keep both as repeats
            </button>
          }
        </div>
      }
    </section>
  `,
  styles: `
    section {
      margin: 0;
      padding: 10px 16px;
      border-bottom: 1px solid var(--rule);
      border-left: 3px solid var(--amber);
      background: var(--amber-tint);
    }
    h2 {
      font-size: 15px;
    }
    p {
      margin: 4px 0;
      font-size: 13px;
    }
    .conflict {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin-top: 6px;
    }
  `,
})
export class ConflictFields {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);

  protected readonly rows = computed(() =>
    this.store.conflicts().map((conflict) => ({
      conflict,
      name: this.name(conflict),
      ...this.apart(conflict),
      both: bothOf(conflict) !== undefined,
    })),
  );

  /** Both values, with as many digits as tell them apart. */
  private apart(conflict: PlanConflict): { readonly mine: string; readonly theirs: string } {
    const of = (digits?: number) => ({
      mine: this.text(conflict, conflict.mine, digits),
      theirs: this.text(conflict, conflict.theirs, digits),
    });
    const tries = [undefined, 2, 3, 4, 6].map(of);
    return tries.find(({ mine, theirs }) => mine !== theirs) ?? of();
  }

  private name({ section, key, mine, theirs }: PlanConflict): string {
    if (section === 'accepted') return `Acceptance: ${this.whereOf(`check.${key}`)}`;
    if (section === 'photos') return this.photoName((mine ?? theirs) as Photo);
    const q = findQuantity(key);
    if (q) return quantityName(q);
    return (section === 'facts' ? findFact(key)?.label : undefined) ?? entryName(section, key);
  }

  private photoName({ caption, place }: Photo): string {
    return caption ? `Photo: ${caption}` : `Photo at ${this.whereOf(place)}`;
  }

  /** What an acceptance or a photo hangs on: a check by its title, else a place of the plan. */
  private whereOf(place: string): string {
    const check = this.store.results().checks.find(({ id }) => `check.${id}` === place);
    if (check) return check.title;
    return place.startsWith('check.') ? 'a check that is gone' : placeName(place);
  }

  private text({ section, key }: PlanConflict, value: unknown, digits?: number): string {
    if (value === undefined) return 'nothing';
    const q = findQuantity(key);
    if (section === 'readings' && q)
      return (value as Reading).repeats
        .map((r) =>
          this.units.figure(
            {
              ...r,
              unit: q.unit,
              byTape: digits === undefined && readByTape(q, (value as Reading).instrument),
            },
            digits,
          ),
        )
        .join(', ');
    if (section === 'limits') return this.limitText(key, value as LimitChange);
    if (section === 'facts') return factText(key, (value as Fact).value);
    return typeof value === 'object' && value !== null ? inWords(value) : String(value) || 'empty';
  }

  private limitText(key: string, { value, reason }: LimitChange): string {
    const unit = LIMITS[key as LimitId]?.unit;
    return `${unit ? this.units.show(value, unit) : value}, because ${reason}`;
  }
}

/** A record in a few words: its reason where it has one, else what it says, field by field. */
function inWords(value: object): string {
  if ('reason' in value && value.reason) return String(value.reason);
  if ('asked' in value && 'at' in value) return `asked ${String(value.at).slice(0, 16).replace('T', ' ')}`;
  const words = Object.values(value).filter((v) => typeof v === 'string' || typeof v === 'number');
  return words.join(', ') || 'empty';
}
