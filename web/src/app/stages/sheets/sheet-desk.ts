import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { findSheet, sheetOf } from '@intervex/core/sheets';
import { ViewSvg } from '../../drawing/view-svg';
import { ScreenState } from '../../stage/screen-state';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { MAIN_SHEET } from './main-sheet';

/** The sheet whose tab is open, as it will be printed. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-sheet-desk',
  imports: [ViewSvg],
  templateUrl: './sheet-desk.html',
  styleUrl: './sheet-desk.scss',
})
export class SheetDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly state = inject(ScreenState);
  protected readonly words = { stop: 'Stop', caution: 'Caution', unknown: 'Not known', ok: 'Passed' } as const;
  protected readonly def = computed(() => findSheet(this.state.tab()) ?? MAIN_SHEET);
  protected readonly sheet = computed(() => sheetOf(this.def(), this.store.results(), this.units.unit()));
  protected readonly views = computed(() => {
    const { views } = this.def();
    return views ? this.store.results().of(views) : [];
  });
}
