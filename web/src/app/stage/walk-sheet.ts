import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { Menu } from '../shared/menu';
import type { MenuItem } from '../shared/menu-item';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

/** The paper that goes round the car: blank for the pencil, or filled. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-walk-sheet',
  imports: [MatButtonModule, MatIconModule, Menu],
  template: `
    <button mat-button type="button" [ixMenu]="papers()">
      <mat-icon svgIcon="print" />
      Sheet
    </button>
  `,
})
export class WalkSheet {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  readonly stage = input.required<string>();

  protected readonly papers = computed((): readonly MenuItem[] => [
    { text: 'Blank, to write on', file: { address: `${this.address()}&filled=false`, save: false } },
    { text: 'Filled, with what is read', file: { address: `${this.address()}&filled=true`, save: false } },
  ]);
  private readonly address = computed(
    () =>
      `/api/variants/${this.store.variant()?.id ?? ''}/survey-sheet.pdf?stage=${this.stage()}&units=${this.units.unit()}`,
  );
}
