import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { ShaftObstacle } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import type { RowColumn } from '../../shared/row-column';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { PlanStore } from '../../state/plan-store';

const COLUMNS: readonly RowColumn[] = [
  { key: 'name', label: 'What', kind: 'text' },
  { key: 'along', label: 'Ahead', kind: 'mm', min: -300, max: 4000, byTape: true },
  { key: 'under', label: 'Up', kind: 'mm', min: 50, max: 1500, byTape: true },
];

/** Floor, tunnel roof, exhaust: what stands over the driveshaft. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-over-shaft',
  imports: [PanelGroup, RowsEditor],
  template: `
    <ix-group name="Over the driveshaft" note="forward of the axle; underside from the ground">
      <ix-rows
        name="what stands over the driveshaft"
        [columns]="columns"
        [rows]="rows()"
        (changed)="keep($event)"
        (removed)="store.put('overShaft', $event, undefined); store.saveNow()"
      />
    </ix-group>
  `,
})
export class OverShaft {
  protected readonly store = inject(PlanStore);
  protected readonly columns = COLUMNS;
  protected readonly rows = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().overShaft).map(([id, o]) => ({ id, values: { ...o } })),
  );

  protected keep({ id, values }: EditedRow): void {
    this.store.put('overShaft', id, values as unknown as ShaftObstacle);
    this.store.saveNow();
  }
}
