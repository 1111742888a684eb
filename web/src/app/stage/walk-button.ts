import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';

/** Begins to go through a stage’s readings one at a time. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-walk-button',
  imports: [MatButtonModule, MatIconModule],
  template: `
    <button mat-button type="button" (click)="begun.emit()">
      <mat-icon svgIcon="walk" />
      One at a time
    </button>
  `,
})
export class WalkButton {
  readonly begun = output();
}
