import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { HELD_BY, RETENTION_NAMES, type HeldBy } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { PlaceOf } from '../../shared/place-of';
import { PlanStore } from '../../state/plan-store';

/** How the donor holds its shafts in. Ends that were to stay as they are stay with it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-retention-field',
  imports: [MatFormFieldModule, MatSelectModule, PanelGroup, PlaceOf],
  template: `
    <ix-group name="Shafts held in by">
      <mat-form-field appearance="outline" subscriptSizing="dynamic" class="wide">
        <mat-label>Shaft retention</mat-label>
        <mat-select
          ixPlace="donor.retention"
          [value]="store.plan().choices.retention"
          (valueChange)="choose($event)"
        >
          @for (r of retentions; track r.id) {
            <mat-option [value]="r.id">{{ r.name }}</mat-option>
          }
        </mat-select>
      </mat-form-field>
    </ix-group>
  `,
  styles: `
    .wide {
      width: 100%;
      margin-top: 6px;
    }
  `,
})
export class RetentionField {
  protected readonly store = inject(PlanStore);
  protected readonly retentions = HELD_BY.map((id) => ({ id, name: RETENTION_NAMES[id] }));

  protected choose(way: HeldBy): void {
    const { retention, retentionTo } = this.store.plan().choices;
    this.store.choose('retention', way);
    if (retention === retentionTo) this.store.choose('retentionTo', way);
  }
}
