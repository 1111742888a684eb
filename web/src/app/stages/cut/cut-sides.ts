import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { DATUM_NAMES, markDatum, SIDES } from '@intervex/core';
import { ReadingField } from '../../readings/reading-field';
import { ReadingGroup } from '../../readings/reading-group';
import { PanelGroup } from '../../shared/panel-group';
import { PlanStore } from '../../state/plan-store';
import { MarksTable } from './marks-table';
import { WindowsNote } from './windows-note';

/** Marks of each side, and where the builder moved them. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-cut-sides',
  imports: [MarksTable, PanelGroup, WindowsNote, ReadingField, ReadingGroup],
  template: `
    @for (side of sides; track side) {
      <ix-group [name]="(method() === 'newTubes' ? 'New tube, ' : 'Marks, ') + side" [note]="from()">
        @if (method() !== 'newTubes') {
          <ix-marks [side]="side" />
        }
        @if (method() === 'slug') {
          <ix-reading [id]="'cut.mark.' + side" label="First mark, from casting" />
        } @else {
          <ix-reading [id]="'cut.endPiece.' + side" label="End piece, face to edge" />
        }
        <ix-windows [side]="side" />
        @if (method() === 'newTubes') {
          <ix-reading-group stage="cut" [group]="side + 'New'" [bare]="true" />
        }
      </ix-group>
    }
  `,
})
export class CutSides {
  private readonly store = inject(PlanStore);
  protected readonly sides = SIDES;
  protected readonly method = computed(() => this.store.plan().choices.method);
  /** From where the marks are given. */
  protected readonly from = computed(() => {
    const { method, datum } = this.store.plan().choices;
    return method === 'newTubes' ? '' : `from the ${DATUM_NAMES[markDatum(method, datum)]}`;
  });
}
