import { Component, computed, inject, signal } from '@angular/core';
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
import { Segments } from '../../shared/segments';

type Tab = 'strength' | 'stock' | 'chances' | 'orders';

const TABS: readonly { readonly id: Tab; readonly name: string }[] = [
  { id: 'strength', name: 'Strength' },
  { id: 'stock', name: 'Stock pairs' },
  { id: 'chances', name: 'Chances' },
  { id: 'orders', name: 'Orders' },
];
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
    Needs,
    OrdersDesk,
    PairsDesk,
    ReadingField,
    ReadingGroup,
    Segments,
    Stage,
    StrengthTable,
  ],
  template: `
    <ix-stage title="Shafts" [subtitle]="subtitle()">
      <ix-segments
        tabs
        class="tabs"
        label="What of the shafts"
        [options]="tabs"
        [value]="tab()"
        (picked)="tab.set($event)"
      />
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
      <ix-reading-group stage="shafts" group="strength" />
      <ix-fact id="donor.material" />
      <ix-reading-group stage="shafts" group="made" />
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
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('strength');
  protected readonly subtitle = computed(() => SUBTITLES[this.tab()]);
}
