import { Component, computed, inject } from '@angular/core';
import { sheetOf } from '@intervex/core';
import { ViewSvg } from '../../drawing/view-svg';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { MAIN_SHEET } from './main-sheet';

/** The sheet that goes to the saw, as it will be printed. */
@Component({
  selector: 'ix-sheet-desk',
  imports: [ViewSvg],
  templateUrl: './sheet-desk.html',
  styleUrl: './sheet-desk.scss',
})
export class SheetDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly words = { stop: 'Stop', caution: 'Caution', unknown: 'Not known', ok: 'Passed' } as const;
  protected readonly sheet = computed(() => sheetOf(MAIN_SHEET, this.store.results(), this.units.unit()));
  protected readonly view = computed(() => MAIN_SHEET.view && this.store.results().of(MAIN_SHEET.view));
}
