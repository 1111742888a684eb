import { Component, computed, inject } from '@angular/core';
import { SIDES } from '@intervex/core';
import { ReadingField } from '../../readings/reading-field';
import { ReadingGroup } from '../../readings/reading-group';
import { PanelHeading } from '../../shared/panel-heading';
import { PlanStore } from '../../state/plan-store';
import { MarksTable } from './marks-table';

/** Marks of each side, and where the builder moved them. */
@Component({
  selector: 'ix-cut-sides',
  imports: [MarksTable, PanelHeading, ReadingField, ReadingGroup],
  template: `
    @for (side of sides; track side) {
      @if (method() !== 'newTubes') {
        <ix-marks [side]="side" />
      } @else {
        <ix-heading>New tube, {{ side }}</ix-heading>
      }
      @if (method() === 'slug') {
        <ix-reading [id]="'cut.mark.' + side" label="First mark, from the casting" />
      } @else {
        <ix-reading [id]="'cut.endPiece.' + side" label="End piece, face to edge" />
      }
      @if (method() === 'newTubes') {
        <ix-reading-group stage="cut" [group]="side + 'New'" [bare]="true" />
      }
    }
  `,
})
export class CutSides {
  private readonly store = inject(PlanStore);
  protected readonly sides = SIDES;
  protected readonly method = computed(() => this.store.plan().choices.method);
}
