import { ChangeDetectionStrategy, Component, computed, inject, type OnInit } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { shaftOrder } from '@intervex/core/desks/shafts';
import { PlanStore } from '../../state/plan-store';
import { OrderCard } from './order-card';
import { OrdersService } from './orders.service';

/** Orders with the shaft maker: a quote of the plan as it is saved, and what became of the others. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-orders',
  imports: [MatButtonModule, OrderCard],
  template: `
    <p class="text">
      The shaft maker is asked with the order sheet of the plan as it is saved. What arrives is measured before
      it is taken.
    </p>
    @if (order().lacks.length) {
      <p class="trouble">Not whole yet: {{ order().lacks.join(', ').toLowerCase() }}.</p>
    }
    <button
      mat-flat-button
      type="button"
      [disabled]="orders.busy() || order().lacks.length > 0"
      (click)="orders.quote()"
    >
      Ask for a quote
    </button>
    @if (orders.trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @for (o of orders.orders(); track o.id) {
      <ix-order [order]="o" />
    } @empty {
      <p class="text second">No order yet.</p>
    }
  `,
})
export class OrdersDesk implements OnInit {
  private readonly store = inject(PlanStore);
  protected readonly orders = inject(OrdersService);
  protected readonly order = computed(() => this.store.results().of(shaftOrder));

  ngOnInit(): void {
    void this.orders.load();
  }
}
