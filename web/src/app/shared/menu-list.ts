import { NgTemplateOutlet } from '@angular/common';
import { afterNextRender, ChangeDetectionStrategy, Component, input, output, viewChild } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import type { MenuItem } from './menu-item';

/** An open menu, laid to the button that opened it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-menu-list',
  imports: [MatIconModule, MatMenuModule, NgTemplateOutlet, RouterLink],
  template: `
    <span
      class="anchor"
      [matMenuTriggerFor]="menu"
      [matMenuTriggerRestoreFocus]="false"
      [style.left.px]="at().left"
      [style.top.px]="at().top"
      [style.width.px]="at().width"
      [style.height.px]="at().height"
      aria-hidden="true"
    ></span>
    <mat-menu #menu="matMenu" (closed)="closed.emit()">
      @for (i of items(); track $index) {
        @if (i.link; as l) {
          <a mat-menu-item [routerLink]="l.to" [queryParams]="l.query">
            @if (i.icon; as icon) {
              <mat-icon [svgIcon]="icon" aria-hidden="true" />
            }
            <ng-container [ngTemplateOutlet]="words" [ngTemplateOutletContext]="{ i }" />
          </a>
        } @else if (i.file; as f) {
          <a
            mat-menu-item
            [href]="f.address"
            [attr.download]="f.save ? '' : null"
            [attr.target]="f.save ? null : '_blank'"
            rel="noopener"
          >
            @if (i.icon; as icon) {
              <mat-icon [svgIcon]="icon" aria-hidden="true" />
            }
            <ng-container [ngTemplateOutlet]="words" [ngTemplateOutletContext]="{ i }" />
          </a>
        } @else {
          <button
            mat-menu-item
            type="button"
            [role]="i.choice?.kind === 'radio' ? 'menuitemradio' : i.choice ? 'menuitemcheckbox' : 'menuitem'"
            [attr.aria-checked]="i.choice?.on"
            [disabled]="i.disabled ?? false"
            (click)="act(i, $event)"
          >
            @if (i.icon; as icon) {
              <mat-icon [svgIcon]="icon" aria-hidden="true" />
            }
            <ng-container [ngTemplateOutlet]="words" [ngTemplateOutletContext]="{ i }" />
          </button>
        }
      }
      @if (trouble(); as why) {
        <p class="trouble" role="alert">{{ why }}</p>
      }
    </mat-menu>
    <ng-template #words let-i="i">
      <span [class.figure]="i.figure">{{ i.text }}</span>
      @if (i.second; as second) {
        &ngsp;
        <span class="second">{{ second }}</span>
      }
    </ng-template>
  `,
  styles: `
    .anchor {
      position: fixed;
      pointer-events: none;
    }
    .figure {
      display: inline-block;
      min-width: 4.5ch;
    }
    .second {
      margin-left: 8px;
    }
    .trouble {
      margin: 4px 12px;
      max-width: 240px;
    }
  `,
})
export class MenuList {
  readonly items = input.required<readonly MenuItem[]>();
  readonly trouble = input('');
  /** Where the button stands on the screen. */
  readonly at = input.required<DOMRect>();
  readonly closed = output();
  private readonly trigger = viewChild.required(MatMenuTrigger);

  constructor() {
    afterNextRender(() => {
      this.trigger().openMenu();
    });
  }

  protected act(item: MenuItem, event: Event): void {
    item.does?.();
    if (item.stays) event.stopPropagation();
  }
}
