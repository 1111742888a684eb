import {
  ChangeDetectionStrategy,
  Component,
  effect,
  ElementRef,
  inject,
  input,
  linkedSignal,
} from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { remember, remembered } from '../state/memory';
import { PanelGroups } from './panel-groups';

/** Sent from within a group by what wants to be seen: the group opens. */
export const REVEAL = 'ixreveal';

/**
 * A group of a panel: its name, what is added to it, and what stands under it. It folds, and remembers that it did; the
 * panel lists its groups at the top.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-group',
  imports: [MatIconModule],
  template: `
    <h2>
      <button type="button" class="plain" [attr.aria-expanded]="!folded()" (click)="fold(!folded())">
        <mat-icon [svgIcon]="folded() ? 'unfold' : 'fold'" aria-hidden="true" />
        {{ name() }}
      </button>
      @if (note(); as words) {
        <small>{{ words }}</small>
      }
      <ng-content select="[head]" />
    </h2>
    <div class="content" [hidden]="folded()"><ng-content /></div>
  `,
  styles: `
    :host {
      display: block;
      border-top: 1px solid var(--rule);
    }
    h2 {
      display: flex;
      flex-wrap: wrap;
      gap: 0 8px;
      align-items: center;
      justify-content: space-between;
      min-height: 34px;
      font-size: 14px;
    }
    h2 .plain {
      display: flex;
      gap: 2px;
      align-items: center;
      min-height: 28px;
      margin-left: -5px;
      font-weight: 650;
      text-align: left;
    }
    mat-icon {
      flex: none;
      width: 20px;
      height: 20px;
      color: var(--ink-2);
    }
    small {
      color: var(--ink-2);
      font-size: 12px;
      font-weight: 400;
    }
    .content {
      padding-bottom: 8px;
    }
  `,
  host: { '(ixreveal)': 'fold(false)' },
})
export class PanelGroup {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly groups = inject(PanelGroups, { optional: true });
  readonly name = input.required<string>();
  readonly note = input('');
  /** Heading of the stage it stands for; it folds by it. */
  readonly group = input('');
  private readonly key = () => `fold.${this.group() || this.name()}`;
  protected readonly folded = linkedSignal(() => remembered(this.key()) === '1');

  constructor() {
    const entry = {
      name: this.name,
      element: this.host.nativeElement,
      open: () => {
        this.fold(false);
      },
    };
    effect((undo) => {
      this.name();
      const leave = this.groups?.join(entry);
      undo(() => leave?.());
    });
  }

  protected fold(folded: boolean): void {
    if (folded === this.folded()) return;
    this.folded.set(folded);
    remember(this.key(), folded ? '1' : '');
  }
}
