import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ANGLE_IDS, quantity, quantityInSentence, quantityName } from '@intervex/core';
import { PlanStore } from '../state/plan-store';

/** What the gauge was zeroed on when an angle was read. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-zeroed-on',
  template: `
    <label>
      <span [class]="bare() ? 'hidden' : 'second'">zeroed on</span>
      <select
        #zero
        class="choice"
        [value]="value()"
        [disabled]="!reading()"
        [attr.aria-label]="name() + ', zeroed on'"
        (change)="set(zero.value)"
      >
        <option value="" [selected]="value() === ''">level</option>
        @for (o of options(); track o.id) {
          <option [value]="o.id" [selected]="value() === o.id">{{ o.name }}</option>
        }
      </select>
    </label>
  `,
  styles: `
    select {
      max-width: 170px;
    }
    span {
      flex: none;
    }
    label {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0 6px;
      align-items: center;
      font-size: 12.5px;
    }
  `,
})
export class ZeroedOn {
  private readonly store = inject(PlanStore);
  readonly id = input.required<string>();
  /** Without its words, under a heading that says them. */
  readonly bare = input(false);

  protected readonly name = computed(() => quantityName(quantity(this.id())));
  protected readonly reading = computed(() => this.store.reading(this.id()));
  protected readonly value = computed(() => this.reading()?.zeroedOn ?? '');
  /** Angles of the same thing: the car’s against the car’s, the donor’s against the donor’s. */
  protected readonly options = computed(() =>
    ANGLE_IDS.filter((id) => id !== this.id() && quantity(id).stage === quantity(this.id()).stage).map(
      (id) => ({
        id,
        name: quantityInSentence(quantity(id)),
      }),
    ),
  );

  protected set(zero: string): void {
    const reading = this.reading();
    if (!reading) return;
    const { zeroedOn: _before, ...rest } = reading;
    this.store.setReading(this.id(), zero ? { ...rest, zeroedOn: zero } : rest);
    this.store.saveNow();
  }
}
