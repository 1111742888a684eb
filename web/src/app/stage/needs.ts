import { Component, computed, inject, input } from '@angular/core';
import { placeName, type StageId } from '@intervex/core';
import { JumpService } from '../state/jump.service';
import { PlanStore } from '../state/plan-store';

/** What each open decision still needs; a click goes to the field. */
@Component({
  selector: 'ix-needs',
  template: `
    @for (d of open(); track d.id) {
      <p>
        <b>{{ d.label }}</b>
        needs
        @for (q of d.quantities; track q.id; let last = $last) {
          <button type="button" class="plain" (click)="go(q.id)">{{ q.name }}</button>
          {{ last ? '.' : ', ' }}
        }
        @if (d.more) {
          <span class="second">And {{ d.more }} more.</span>
        }
      </p>
    } @empty {
      <p class="second">
        {{
          elsewhere()
            ? 'Every decision of this stage has its readings.'
            : 'Every decision of this plan has its readings.'
        }}
      </p>
    }
    @if (elsewhere(); as n) {
      <p class="second">
        {{ n === 1 ? 'One decision' : n + ' decisions' }} of other stages still {{ n === 1 ? 'lacks' : 'lack' }}
        readings.
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 14px;
    }
    p {
      max-width: 70ch;
      margin: 5px 0;
      font-size: 13.5px;
    }
    button {
      color: var(--dye);
      text-decoration: underline;
    }
  `,
})
export class Needs {
  private readonly store = inject(PlanStore);
  private readonly jumps = inject(JumpService);
  /** Stage whose decisions are named; those of the others are only counted. */
  readonly stage = input<StageId>();

  /** Most quantities named per decision. */
  private static readonly MOST = 6;

  private readonly lacking = computed(() => this.store.results().decisions.filter((d) => d.lacks.length > 0));
  protected readonly elsewhere = computed(
    () => this.lacking().filter((d) => this.stage() && d.stage !== this.stage()).length,
  );
  protected readonly open = computed(() =>
    this.lacking()
      .filter((d) => !this.stage() || d.stage === this.stage())
      .map((d) => ({
        id: d.id,
        label: d.label,
        quantities: d.lacks.slice(0, Needs.MOST).map((id) => ({ id, name: placeName(id) })),
        more: Math.max(0, d.lacks.length - Needs.MOST),
      })),
  );

  protected go(id: string): void {
    void this.jumps.to(id);
  }
}
