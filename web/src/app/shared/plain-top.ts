import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { MeService } from '../state/me.service';
import { Who } from './who';

/** Top of a page outside a plan: the name, where else to go, who is here. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-plain-top',
  host: { role: 'banner' },
  imports: [RouterLink, RouterLinkActive, Who],
  template: `
    <a routerLink="/" class="brand" aria-label="Intervex, go on with the last plan">
      <svg viewBox="0 0 28 20" width="28" height="20" aria-hidden="true">
        <path d="M1 4h6l14 12h6M1 16h6L21 4h6" fill="none" stroke="currentColor" stroke-width="2.4" />
      </svg>
      <span>Intervex</span>
    </a>
    @if (places().length) {
      <nav aria-label="Pages">
        @for (p of places(); track p.to) {
          <a [routerLink]="p.to" routerLinkActive="here" ariaCurrentWhenActive="page">{{ p.name }}</a>
        }
      </nav>
    }
    <span class="space"></span>
    @if (me().role) {
      <ix-who />
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 14px;
      align-items: center;
      height: 46px;
      padding: 0 16px;
      border-bottom: 1px solid var(--rule);
      background: var(--sheet);
    }
    .brand {
      display: flex;
      gap: 9px;
      align-items: center;
      color: var(--ink);
      font-size: 17px;
      font-weight: 650;
      text-decoration: none;
    }
    .brand svg {
      color: var(--dye);
    }
    nav {
      display: flex;
      gap: 4px;
      align-self: stretch;
    }
    nav a {
      display: flex;
      align-items: center;
      padding: 0 8px;
      border-bottom: 2px solid transparent;
      color: var(--ink-2);
      font-size: 13.5px;
      text-decoration: none;
      white-space: nowrap;
    }
    nav a.here {
      border-bottom-color: var(--dye);
      color: var(--ink);
      font-weight: 620;
    }
    .space {
      flex: 1;
    }
    @media (max-width: 760px) {
      :host {
        gap: 4px;
        padding: 0 6px;
      }
      .brand span,
      ix-who {
        display: none;
      }
    }
  `,
})
export class PlainTop {
  private readonly who = inject(MeService);
  protected readonly me = this.who.me;
  protected readonly places = computed(() => {
    const { role } = this.me();
    if (!role || role === 'guest') return [];
    const all = [{ to: '/projects', name: 'Projects' }];
    return role === 'owner'
      ? [...all, { to: '/data', name: 'Your data' }, { to: '/workshop', name: 'Workshop' }]
      : all;
  });

  constructor() {
    void this.who.know();
  }
}
