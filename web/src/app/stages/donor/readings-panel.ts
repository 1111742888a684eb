import { Component, inject } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { headingsOf, RETENTION_NAMES, RETENTIONS } from '@intervex/core';
import { FactGroup } from '../../readings/fact-group';
import { ReadingGroup } from '../../readings/reading-group';
import { PlanStore } from '../../state/plan-store';
import { JUDGED_GROUPS } from './judge-panel';

/** Headings in walking order, but for those that judge it. */
const GROUPS = headingsOf('donor').filter((heading) => !JUDGED_GROUPS.includes(heading.id));

/** What is read of the donor on the bench. */
@Component({
  selector: 'ix-donor-readings-panel',
  imports: [FactGroup, MatFormFieldModule, MatSelectModule, ReadingGroup],
  template: `
    <h2>Shafts held in by</h2>
    <mat-form-field appearance="outline" subscriptSizing="dynamic" class="wide">
      <mat-label>Shaft retention</mat-label>
      <mat-select [value]="store.plan().choices.retention" (valueChange)="store.choose('retention', $event)">
        @for (r of retentions; track r.id) {
          <mat-option [value]="r.id">{{ r.name }}</mat-option>
        }
      </mat-select>
    </mat-form-field>
    @for (group of groups; track group.id) {
      <ix-reading-group stage="donor" [group]="group.id" />
      <ix-fact-group stage="donor" [group]="group.id" [bare]="true" />
    }
  `,
  styles: `
    .wide {
      width: 100%;
      margin-top: 6px;
    }
  `,
})
export class ReadingsPanel {
  protected readonly store = inject(PlanStore);
  protected readonly groups = GROUPS;
  protected readonly retentions = RETENTIONS.map((id) => ({ id, name: RETENTION_NAMES[id] }));
}
