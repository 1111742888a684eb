import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { SIDES, type TubeItem } from '@intervex/core';
import type { RowColumn } from '../../shared/row-column';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { PanelGroup } from '../../shared/panel-group';
import { PlanStore } from '../../state/plan-store';

const COLUMNS: readonly RowColumn[] = [
  { key: 'side', label: 'Side', kind: 'choice', options: SIDES.map((id) => ({ id, name: id })) },
  { key: 'name', label: 'What', kind: 'text' },
  { key: 'from', label: 'From', kind: 'mm', byTape: true, min: 0, max: 1500 },
  { key: 'to', label: 'To', kind: 'mm', byTape: true, min: 0, max: 1500 },
];

/** What is welded to the tubes, from the casting face, so that no cut comes near it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-tube-items',
  imports: [PanelGroup, RowsEditor],
  template: `
    <ix-group name="On the tubes" note="from the casting face, welds included">
      @defer (on viewport) {
        <ix-rows
          name="things on the tubes"
          [columns]="columns"
          [rows]="rows()"
          (changed)="put($event)"
          (removed)="store.put('tubeItems', $event, undefined); store.saveNow()"
        />
      } @placeholder {
        <p class="second">{{ rows().length || 'Nothing' }} listed</p>
      } @error {
        <p class="trouble" role="alert">This list could not be loaded. Load the page again.</p>
      }
    </ix-group>
  `,
})
export class TubeItems {
  protected readonly store = inject(PlanStore);
  protected readonly columns = COLUMNS;
  protected readonly rows = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().tubeItems).map(([id, item]) => ({ id, values: { ...item } })),
  );

  /** Ends that were typed the wrong way round are put in order. */
  protected put({ id, values }: EditedRow): void {
    const item = values as unknown as TubeItem;
    const [from, to] = [Math.min(item.from, item.to), Math.max(item.from, item.to)];
    this.store.put('tubeItems', id, { ...item, from, to });
    this.store.saveNow();
  }
}
