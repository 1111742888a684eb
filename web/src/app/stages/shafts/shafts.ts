import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { FactField } from '../../readings/fact-field';
import { ReadingField } from '../../readings/reading-field';
import { ReadingGroup } from '../../readings/reading-group';
import { PlanStore } from '../../state/plan-store';
import { Needs } from '../needs';
import { Stage } from '../stage';
import { ChancesDesk } from './chances-desk';
import { OrdersDesk } from './orders-desk';
import { PairsDesk } from './pairs-desk';
import { StrengthTable } from './strength-table';

type Tab = 'strength' | 'stock' | 'chances' | 'orders';
const SUBTITLES: Readonly<Record<Tab, string>> = {
  strength: 'what they bear',
  stock: 'best pairs that can be bought',
  chances: 'how likely it all fits as made',
  orders: 'with the shaft maker',
};

/** The shafts that will run: strength, stock pairs, tolerances, orders. */
@Component({
  selector: 'ix-shafts',
  imports: [
    ChancesDesk,
    FactField,
    MatButtonToggleModule,
    Needs,
    OrdersDesk,
    PairsDesk,
    ReadingField,
    ReadingGroup,
    Stage,
    StrengthTable,
  ],
  template: `
    <ix-stage title="Shafts" [subtitle]="subtitle()">
      <mat-button-toggle-group
        tabs
        class="tabs"
        [value]="tab()"
        (change)="tab.set($event.value)"
        [hideSingleSelectionIndicator]="true"
        aria-label="What of the shafts"
      >
        <mat-button-toggle value="strength">Strength</mat-button-toggle>
        <mat-button-toggle value="stock">Stock pairs</mat-button-toggle>
        <mat-button-toggle value="chances">Chances</mat-button-toggle>
        <mat-button-toggle value="orders">Orders</mat-button-toggle>
      </mat-button-toggle-group>
      <div desk>
        @switch (tab()) {
          @case ('strength') {
            <ix-strength />
            <ix-needs stage="shafts" />
          }
          @case ('stock') {
            <ix-pairs />
          }
          @case ('chances') {
            <ix-chances />
          }
          @case ('orders') {
            <ix-orders />
          }
        }
      </div>
      <ix-reading-group stage="shafts" group="Strength" />
      <ix-fact id="donor.material" />
      <ix-reading-group stage="shafts" group="As made" />
      <ix-reading id="shaft.spline" />
      <ix-reading id="shaft.step" />
      <h2>Bearing and spline</h2>
      <ix-reading id="new.journal" />
      <ix-reading id="new.teeth" />
    </ix-stage>
  `,
})
export class ShaftsStage {
  protected readonly store = inject(PlanStore);
  protected readonly tab = signal<Tab>('strength');
  protected readonly subtitle = computed(() => SUBTITLES[this.tab()]);
}
