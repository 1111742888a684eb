import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { offsetOf, parseLength, quantity, refuseValue, stance } from '@intervex/core';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { chosen } from '../../stage/chosen';

/** Inner edge of the rim to the face, as wheels are often sold: the offset follows from it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-backspace-field',
  template: `
    @if (backspace(); as b) {
      <label class="beside">
        <span>Or by its backspace</span>
        <input
          type="text"
          class="box figure"
          inputmode="decimal"
          maxlength="40"
          [value]="typed() ?? plain(b.value)"
          [attr.aria-invalid]="problem() ? 'true' : null"
          (change)="set($any($event.target).value)"
        />
      </label>
      @if (problem(); as why) {
        <p class="trouble" role="alert">{{ why }}</p>
      }
    }
  `,
})
export class BackspaceField {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  /** What was typed and refused; kept until it is right. */
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly problem = signal('');
  protected readonly backspace = computed(() => this.store.results().of(stance).backspace);
  protected plain = (mm: number): string => this.units.plain(mm, 'mm');

  protected set(text: string): void {
    const rim = this.store.results().known.get('wheel.rim')?.figure.value;
    const read = parseLength(text, this.units.unit());
    const et = read.ok && rim !== undefined ? offsetOf(rim, read.value) : undefined;
    const refused = et === undefined ? undefined : refuseValue(quantity('wheel.et'), et, this.units.unit());
    const wrong = read.ok ? refused : read.reason;
    this.typed.set(wrong ? text : undefined);
    this.problem.set(wrong ?? '');
    if (wrong || et === undefined) return;
    this.store.setReading('wheel.et', chosen(Math.round(et * 100) / 100));
    this.store.saveNow();
  }
}
