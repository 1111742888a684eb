import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { isOpen, isUnknown, type Check } from '@intervex/core';
import { JumpService } from '../state/jump.service';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { CheckCard } from './check-card';

const RANK = { stop: 0, caution: 1, unknown: 2, ok: 3 } as const;

/** All checks in one place: what is open, what cannot be told yet, what is accepted, what passed. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-checks',
  imports: [CheckCard, MatButtonModule, MatIconModule],
  template: `
    <aside aria-label="Checks">
      <header>
        <h2>Checks</h2>
        <button
          mat-icon-button
          type="button"
          aria-label="Close the checks"
          (click)="selection.checksOpen.set(false)"
        >
          <mat-icon svgIcon="close" />
        </button>
      </header>
      @for (check of open(); track check.id) {
        <ix-check [check]="check" (jump)="jump($event)" />
      } @empty {
        <p class="second">
          {{
            all().length
              ? unknown().length
                ? 'Nothing that can be told is open.'
                : 'Nothing is open. Every check passes or is accepted.'
              : 'No checks yet. They appear as readings come in.'
          }}
        </p>
      }
      @if (unknown().length) {
        <h3>Not known yet</h3>
        @for (check of unknown(); track check.id) {
          <ix-check [check]="check" (jump)="jump($event)" />
        }
      }
      @if (accepted().length) {
        <h3>Accepted</h3>
        @for (check of accepted(); track check.id) {
          <ix-check [check]="check" (jump)="jump($event)" />
        }
      }
      @if (passed().length) {
        <button
          mat-button
          type="button"
          [attr.aria-expanded]="showPassed()"
          (click)="showPassed.set(!showPassed())"
        >
          {{ showPassed() ? 'Hide' : 'Show' }} {{ passed().length }} passed
        </button>
        @if (showPassed()) {
          @for (check of passed(); track check.id) {
            <ix-check [check]="check" (jump)="jump($event)" />
          }
        }
      }
    </aside>
  `,
  styles: `
    aside {
      display: grid;
      gap: 10px;
      align-content: start;
      padding: 12px 16px 24px;
    }
    header {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    h2 {
      font-size: 17px;
    }
    h3 {
      margin-top: 8px;
      font-size: 14px;
    }
  `,
})
export class ChecksDrawer {
  private readonly store = inject(PlanStore);
  private readonly jumps = inject(JumpService);
  protected readonly selection = inject(SelectionService);
  protected readonly showPassed = signal(false);

  protected readonly all = computed(() => this.store.results().checks);
  protected readonly open = computed(() =>
    this.all()
      .filter(isOpen)
      .sort((a, b) => RANK[a.level] - RANK[b.level]),
  );
  protected readonly unknown = computed(() => this.all().filter(isUnknown));
  protected readonly accepted = computed(() => this.all().filter((c) => c.accepted));
  protected readonly passed = computed(() => this.all().filter((c) => c.level === 'ok'));

  protected async jump(check: Check): Promise<void> {
    if (!check.at) return;
    this.selection.checksOpen.set(false);
    await this.jumps.to(check.at, check.stage);
  }
}
