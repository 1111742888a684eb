import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { CARRIERS, CONDITIONS, type GearOffer } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import type { RowColumn } from '../../shared/row-column';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { PlanStore } from '../../state/plan-store';

const COLUMNS: readonly RowColumn[] = [
  { key: 'name', label: 'What', kind: 'text' },
  { key: 'ring', label: 'Ring teeth', kind: 'whole', min: 20, max: 80 },
  { key: 'pinion', label: 'Pinion teeth', kind: 'whole', min: 5, max: 24 },
  {
    key: 'carrier',
    label: 'Carrier',
    kind: 'choice',
    options: CARRIERS.map((id) => ({ id, name: id === 'same' ? 'as it is' : 'another' })),
  },
  { key: 'condition', label: 'State', kind: 'choice', options: CONDITIONS.map((id) => ({ id, name: id })) },
  { key: 'price', label: 'Price', kind: 'whole', min: 0, max: 1_000_000 },
  { key: 'leadDays', label: 'Days', kind: 'whole', min: 0, max: 2000 },
];

/** Gear sets that somebody has, beside those of the counter. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-own-offers',
  imports: [PanelGroup, RowsEditor],
  template: `
    <ix-group name="Gear sets noted" note="beside those of the counter">
      <ix-rows
        name="gear sets noted"
        [columns]="columns"
        [rows]="rows()"
        (changed)="keep($event)"
        (removed)="store.put('gearOffers', $event, undefined); store.saveNow()"
      />
      @if (trouble(); as why) {
        <p class="trouble" role="alert">{{ why }}</p>
      }
    </ix-group>
  `,
})
export class OwnOffers {
  protected readonly store = inject(PlanStore);
  protected readonly columns = COLUMNS;
  protected readonly rows = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().gearOffers).map(([id, o]) => ({ id, values: { ...o } })),
  );
  protected readonly trouble = computed(() =>
    this.store.saveState() === 'refused' ? this.store.trouble() : '',
  );

  protected keep({ id, values }: EditedRow): void {
    this.store.put('gearOffers', id, values as unknown as GearOffer);
    this.store.saveNow();
  }
}
