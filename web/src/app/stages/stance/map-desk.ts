import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { stance } from '@intervex/core';
import { PlanStore } from '../../state/plan-store';
import { chosen } from '../../stage/chosen';
import { FitMapChart, type StockPoint } from './fit-map';
import { StockWheelsService } from './stock-wheels.service';

/** Every place that a wheel may take, with the wheels that can be bought; one is taken with a click. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-map-desk',
  imports: [FitMapChart],
  template: `
    @if (stance().ranges; as ranges) {
      @if (stance().half; as half) {
        @if (stance().et; as et) {
          <ix-fit-map
            [ranges]="ranges"
            [half]="half.value"
            [et]="et.value"
            [offCentre]="stance().offCentre"
            [stock]="stock()"
            (taken)="take($event)"
          />
        } @else {
          <p class="second">Choose a wheel offset first, then the map is drawn round it.</p>
        }
      }
    } @else {
      <p class="second">Write the tyre’s size and the rim’s width first, then the map is drawn here.</p>
    }
  `,
  styles: `
    p {
      padding: 60px 20px;
      border: 1px dashed var(--rule);
      text-align: center;
    }
  `,
})
export class MapDesk {
  private readonly store = inject(PlanStore);
  private readonly wheels = inject(StockWheelsService);
  protected readonly stance = computed(() => this.store.results().of(stance));
  protected readonly stock = computed<readonly StockPoint[]>(() =>
    // Those that clear are drawn over the others.
    [...this.wheels.rows()].reverse().map(({ offer, et, clears }) => ({
      id: offer.number,
      et,
      clears,
      name: offer.name,
    })),
  );

  /** A place of the map becomes the plan’s width and offset; a spacer’s thickness stays on the offset. */
  protected take({ half, et }: { readonly half: number; readonly et: number }): void {
    const { et: effective } = this.stance();
    const wheel = this.store.results().known.get('wheel.et')?.figure.value;
    const spacer = effective && wheel !== undefined ? wheel - effective.value : 0;
    if (this.stance().half?.value !== half) this.store.setReading('brief.targetWidth', chosen(2 * half));
    this.store.setReading('wheel.et', chosen(et + spacer));
    this.store.saveNow();
  }
}
