import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { Router } from '@angular/router';
import { nextStep } from '@intervex/core';
import { JumpService } from '../state/jump.service';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

const ICONS = {
  mend: 'stop',
  read: 'walk',
  stop: 'stop',
  caution: 'caution',
  measure: 'walk',
  print: 'print',
} as const;

/** One line that always says what to read or decide next and why, and goes there. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-next-step',
  imports: [MatIconModule],
  template: `
    <mat-icon [svgIcon]="icon()" [class]="step().kind" aria-hidden="true" />
    <p>
      <span class="second">Next:</span>
      <b>{{ units.say(step().todo) }}.</b>
      <span class="second why">{{ units.say(step().why) }}.</span>
    </p>
    <button type="button" class="plain" (click)="go()">Go there</button>
  `,
  styleUrl: './next-step.scss',
  host: { role: 'region', 'aria-label': 'Next step' },
})
export class NextStepLine {
  private readonly store = inject(PlanStore);
  private readonly jumps = inject(JumpService);
  private readonly router = inject(Router);
  protected readonly units = inject(UnitsService);
  readonly stage = input<string>();
  protected readonly step = computed(() => {
    const { todo, why, ...rest } = nextStep(this.store.results(), this.stage());
    return { ...rest, todo: todo.replace(/\.$/, ''), why: why.replace(/\.$/, '') };
  });
  protected readonly icon = computed(() => ICONS[this.step().kind]);

  protected go(): void {
    const { place, stage } = this.step();
    const variant = this.store.variant()?.id;
    if (place) void this.jumps.to(place, stage);
    else if (variant) void this.router.navigate(['/plan', variant, stage]);
  }
}
