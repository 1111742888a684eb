import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { KeepOut } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import type { RowColumn } from '../../shared/row-column';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { PlanStore } from '../../state/plan-store';

const COLUMNS: readonly RowColumn[] = [
  { key: 'name', label: 'What', kind: 'text' },
  { key: 'radius', label: 'From middle', kind: 'mm', min: 0, max: 300 },
  { key: 'angle', label: 'Angle, °', kind: 'angle', min: -2 * Math.PI, max: 2 * Math.PI },
  { key: 'diameter', label: 'Diameter', kind: 'mm', min: 1, max: 120 },
];

/** Places of the flange that must stay whole. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-keep-outs',
  imports: [PanelGroup, RowsEditor],
  template: `
    <ix-group name="Must stay whole" note="rotor screws, access and balance holes">
      <ix-rows
        name="places that must stay whole"
        [columns]="columns"
        [rows]="rows()"
        (changed)="keep($event)"
        (removed)="store.put('keepOuts', $event, undefined); store.saveNow()"
      />
    </ix-group>
  `,
})
export class KeepOuts {
  protected readonly store = inject(PlanStore);
  protected readonly columns = COLUMNS;
  protected readonly rows = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().keepOuts).map(([id, k]) => ({ id, values: { ...k } })),
  );

  protected keep({ id, values }: EditedRow): void {
    this.store.put('keepOuts', id, values as unknown as KeepOut);
    this.store.saveNow();
  }
}
