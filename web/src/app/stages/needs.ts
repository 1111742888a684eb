import { Component, computed, inject } from '@angular/core';
import { quantity, quantityName } from '@intervex/core';
import { Router } from '@angular/router';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';

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
      <p class="second">Every decision of this plan has its readings.</p>
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
  private readonly selection = inject(SelectionService);
  private readonly router = inject(Router);

  /** Most quantities named per decision. */
  private static readonly MOST = 6;

  protected readonly open = computed(() =>
    this.store
      .results()
      .decisions.filter((d) => d.lacks.length > 0)
      .map((d) => ({
        id: d.id,
        label: d.label,
        quantities: d.lacks
          .slice(0, Needs.MOST)
          .map((id) => ({ id, name: quantityName(quantity(id)).toLowerCase() })),
        more: Math.max(0, d.lacks.length - Needs.MOST),
      })),
  );

  protected async go(id: string): Promise<void> {
    const variant = this.store.variant()?.id;
    if (!variant) return;
    await this.router.navigate(['/plan', variant, quantity(id).stage]);
    setTimeout(() => {
      this.selection.goTo(id);
    });
  }
}
