import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import type { QuantityId } from '@intervex/core';
import { ReadingField } from '../readings/reading-field';
import { TrapFocus } from './trap-focus';

/** A reading, edited at its dimension in the drawing: the same field as in the panel. Escape or Done closes it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-dimension-editor',
  // Also before the focus has come into it.
  host: { '(document:keydown.escape)': 'escaped($event)' },
  imports: [MatIconModule, ReadingField, TrapFocus],
  template: `
    <div
      class="sheet"
      role="dialog"
      aria-label="Change it here"
      tabindex="-1"
      ixTrapFocus
      (keydown.escape)="closed.emit(); $event.stopPropagation()"
    >
      <ix-reading [id]="id()" [apart]="true" (done)="closed.emit()" />
      <button type="button" class="plain" aria-label="Close" (click)="closed.emit()">
        <mat-icon svgIcon="close" />
      </button>
    </div>
  `,
  styles: `
    :host {
      position: absolute;
      z-index: 5;
    }
    .sheet {
      display: flex;
      gap: 8px;
      align-items: start;
      width: min(380px, calc(100vw - 32px));
      padding: 8px 10px;
      border: 1px solid var(--dye);
      background: var(--sheet);
      box-shadow: 0 4px 14px rgb(0 0 0 / 18%);
    }
    ix-reading {
      flex: 1;
      min-width: 0;
    }
  `,
})
export class DimensionEditor {
  readonly id = input.required<QuantityId>();
  readonly closed = output();

  /** A menu that stands open over it closes by itself. */
  protected escaped({ target }: Event): void {
    if (!(target instanceof Element && target.closest('.cdk-overlay-container'))) this.closed.emit();
  }
}
