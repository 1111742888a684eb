import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { PersonService } from '../state/person.service';
import { WhoForm } from './who-form';

/** Who is at the bench, and where to say so. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-who',
  imports: [MatIconModule, WhoForm],
  template: `
    @if (person.fixed()) {
      <span class="who" [title]="'Logged in as ' + person.name()">
        <mat-icon svgIcon="person" aria-hidden="true" />
        <span class="name">{{ person.name() }}</span>
      </span>
    } @else {
      <button type="button" class="plain who" popovertarget="who" [class.unknown]="!person.known()">
        <mat-icon svgIcon="person" aria-hidden="true" />
        <span class="name" [title]="person.name()">{{ person.known() ? person.name() : 'Your name?' }}</span>
        <span class="hidden">, at the bench; change</span>
      </button>
    }
    <div #panel id="who" popover (toggle)="opened($event, panel)">
      @defer (when wanted()) {
        <ix-who-form [ready]="true" (done)="panel.hidePopover()" />
      }
    </div>
  `,
  styles: `
    .who {
      display: flex;
      gap: 4px;
      align-items: center;
      min-height: 28px;
      padding: 2px 4px;
      color: var(--ink-2);
      font-size: 12.5px;
    }
    .unknown {
      color: var(--dye);
      font-weight: 600;
    }
    .name {
      max-width: 96px;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    mat-icon {
      flex: none;
      width: 18px;
      height: 18px;
    }
    [popover] {
      inset: 46px 12px auto auto;
      width: min(360px, calc(100vw - 24px));
      margin: 0;
      padding: 14px;
      border: 1px solid var(--rule);
      background: var(--sheet);
      color: var(--ink);
      box-shadow: 0 6px 18px rgb(0 0 0 / 12%);
    }
  `,
})
export class Who {
  protected readonly person = inject(PersonService);

  /** It was asked for; what asks is fetched then. */
  protected readonly wanted = signal(false);

  protected opened(event: Event, panel: HTMLElement): void {
    if ((event as ToggleEvent).newState !== 'open') return;
    this.wanted.set(true);
    panel.querySelector('input')?.focus();
  }
}
