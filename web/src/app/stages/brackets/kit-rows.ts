import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  BRACKET_DATUM_NAMES,
  BRACKET_DATUMS,
  BRACKET_SIDES,
  SIDE_NAMES,
  type BracketKit,
} from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import type { RowColumn } from '../../shared/row-column';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { PlanStore } from '../../state/plan-store';

const DATUMS = BRACKET_DATUMS.map((id) => ({ id, name: BRACKET_DATUM_NAMES[id] }));
const place = { kind: 'mm', min: -1600, max: 1600, byTape: true } as const;
const COLUMNS: readonly RowColumn[] = [
  { key: 'name', label: 'Kit', kind: 'text' },
  {
    key: 'side',
    label: 'Side',
    kind: 'choice',
    options: BRACKET_SIDES.map((id) => ({ id, name: SIDE_NAMES[id] })),
  },
  { key: 'datum', label: 'From', kind: 'choice', options: DATUMS },
  { key: 'at', label: 'At', ...place },
  { key: 'datum2', label: 'Also from', kind: 'choice', options: [{ id: 'none', name: 'no other' }, ...DATUMS] },
  { key: 'at2', label: 'There at', ...place, optional: true },
];

/** Kits of brackets that keep their places to each other: each by its datum, and by another where that is known too. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-kits',
  imports: [PanelGroup, RowsEditor],
  template: `
    <ix-group name="Bracket kits" note="several brackets set as one, by the kit’s own datum">
      <ix-rows
        name="bracket kits"
        [columns]="columns"
        [rows]="rows()"
        (changed)="keep($event)"
        (removed)="store.put('bracketKits', $event, undefined); store.saveNow()"
      />
    </ix-group>
  `,
})
export class KitRows {
  protected readonly store = inject(PlanStore);
  protected readonly columns = COLUMNS;
  protected readonly rows = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().bracketKits).map(([id, kit]) => ({
      id,
      values: { datum2: 'none', ...kit },
    })),
  );

  protected keep({ id, values }: EditedRow): void {
    const { datum2, at2, ...own } = values;
    const second = datum2 !== 'none' && at2 !== undefined ? { datum2, at2 } : {};
    this.store.put('bracketKits', id, { ...own, ...second } as unknown as BracketKit);
    this.store.saveNow();
  }
}
