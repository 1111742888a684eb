import { ChangeDetectionStrategy, Component } from '@angular/core';
import { AnglesTable } from './angles-table';

/** Angles of the car, and of the axle that is in it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-angles-desk',
  imports: [AnglesTable],
  template: '<ix-angles stage="survey" flat="angle.flat" />',
})
export class AnglesDesk {}
