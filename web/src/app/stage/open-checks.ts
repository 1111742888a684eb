import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { isOpen } from '@intervex/core';
import { JumpService } from '../state/jump.service';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

/** Open checks of one kind, where what they are about is looked at. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-open-checks',
  imports: [MatIconModule],
  template: `
    @for (c of open(); track c.id) {
      <div class="check" [class.stop]="c.level === 'stop'">
        <mat-icon [svgIcon]="c.level" aria-hidden="true" />
        <p>
          <b>{{ units.say(c.title) }}.</b>
          {{ units.say(c.reason + ' ' + c.todo) }}
          @if (c.at) {
            <button type="button" class="plain link" (click)="jumps.to(c.at, c.stage)">Go there</button>
          }
        </p>
      </div>
    }
  `,
  styleUrl: './open-checks.scss',
})
export class OpenChecks {
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  protected readonly jumps = inject(JumpService);
  /** First part of the checks’ ids. */
  readonly of = input.required<string>();
  protected readonly open = computed(() =>
    this.store.results().checks.filter((c) => isOpen(c) && c.id.startsWith(`${this.of()}.`)),
  );
}
