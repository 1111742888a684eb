import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

/** The paper that goes round the car: blank for the pencil, or filled. */
@Component({
  selector: 'ix-walk-sheet',
  imports: [MatButtonModule, MatIconModule, MatMenuModule],
  template: `
    <button mat-button type="button" [matMenuTriggerFor]="menu">
      <mat-icon svgIcon="print" />
      Sheet
    </button>
    <mat-menu #menu="matMenu">
      <a mat-menu-item [href]="address() + '&filled=false'" target="_blank" rel="noopener">
        Blank, to write on
      </a>
      <a mat-menu-item [href]="address() + '&filled=true'" target="_blank" rel="noopener">
        Filled, with what is read
      </a>
    </mat-menu>
  `,
})
export class WalkSheet {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  readonly stage = input.required<string>();

  protected readonly address = computed(
    () =>
      `/api/variants/${this.store.variant()?.id ?? ''}/survey-sheet.pdf?stage=${this.stage()}&units=${this.units.unit()}`,
  );
}
