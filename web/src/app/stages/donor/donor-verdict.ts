import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { isOpen, type DonorVerdict } from '@intervex/core';
import { PhotoList } from '../../shared/photo-list';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';

/** The decision on a donor: accepted or rejected, with its reason and photos. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-donor-verdict',
  imports: [MatButtonModule, MatIconModule, PhotoList],
  template: `
    <section [class]="verdict()?.verdict ?? 'none'" aria-label="Decision on this donor">
      @if (verdict(); as v) {
        <h2>
          <mat-icon [svgIcon]="v.verdict === 'accepted' ? 'settled' : 'close'" aria-hidden="true" />
          {{ v.verdict === 'accepted' ? 'Accepted' : 'Rejected' }}
          <small class="second">by {{ v.who }}, {{ day(v.at) }}</small>
        </h2>
        <p>{{ v.reason }}</p>
        <ix-photos place="donor" label="the decision" />
        <button mat-button type="button" (click)="withdraw()">Decide again</button>
      } @else {
        <h2>Not decided yet</h2>
        <label>
          <span class="second">Reason; it stands in the comparison</span>
          <input
            #why
            class="box"
            type="text"
            maxlength="300"
            [value]="reason()"
            [attr.aria-invalid]="problem() ? true : null"
            (input)="reason.set(why.value)"
          />
        </label>
        @if (problem(); as p) {
          <p class="problem" role="alert">{{ p }}</p>
        }
        <div class="keys">
          <button mat-flat-button type="button" (click)="decide('accepted')">Accept this donor</button>
          <button mat-stroked-button type="button" (click)="decide('rejected')">Reject it</button>
          <ix-photos place="donor" label="the decision" />
        </div>
      }
    </section>
  `,
  styles: `
    section {
      padding: 8px 14px 10px;
      border: 1px solid var(--rule);
      border-left: 3px solid var(--ink-2);
      background: var(--sheet);
    }
    section.accepted {
      border-left-color: var(--dye);
    }
    section.rejected {
      border-left-color: var(--red);
    }
    h2 {
      display: flex;
      gap: 8px;
      align-items: center;
      font-size: 16px;
    }
    small {
      font-size: 12.5px;
      font-weight: 400;
    }
    p {
      margin: 4px 0;
      font-size: 13.5px;
    }
    .problem {
      color: var(--red);
    }
    label span {
      display: block;
      margin-top: 4px;
      font-size: 12.5px;
    }
    input {
      max-width: 620px;
    }
    .keys {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin-top: 8px;
    }
  `,
})
export class DonorVerdictCard {
  private readonly store = inject(PlanStore);
  private readonly person = inject(PersonService);
  protected readonly verdict = computed<DonorVerdict | undefined>(() => this.store.plan().verdicts.donor);
  protected readonly reason = signal('');
  protected readonly problem = signal('');
  private readonly stops = computed(
    () =>
      this.store.results().checks.filter((c) => c.stage === 'donor' && c.level === 'stop' && isOpen(c)).length,
  );

  protected decide(verdict: DonorVerdict['verdict']): void {
    this.problem.set(this.against(verdict));
    if (this.problem()) return;
    const who = this.person.name();
    this.store.put('verdicts', 'donor', {
      verdict,
      reason: this.reason().trim(),
      who,
      at: new Date().toISOString(),
    });
    this.store.saveNow();
    this.reason.set('');
  }

  protected withdraw(): void {
    this.reason.set(this.verdict()?.reason ?? '');
    this.store.put('verdicts', 'donor', undefined);
    this.store.saveNow();
  }

  protected day(at: string): string {
    return new Date(at).toLocaleDateString([], { dateStyle: 'medium' });
  }

  /** Why it cannot be decided so; empty where it can. */
  private against(verdict: DonorVerdict['verdict']): string {
    const stops = this.stops();
    if (verdict === 'accepted' && stops > 0)
      return `${stops === 1 ? 'A stop is' : `${stops} stops are`} open. Put it right, or accept the check with a reason first.`;
    return this.reason().trim().length < 3 ? 'Write the reason; it stands in the comparison.' : '';
  }
}
