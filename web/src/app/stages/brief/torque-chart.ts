import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { amountShown, amountWord, type TorquePoint } from '@intervex/core';
import { LineChart, type ChartLine } from '../../shared/line-chart';
import { UnitsService } from '../../state/units.service';

/** The engine’s torque over its speed. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-torque-chart',
  imports: [LineChart],
  template: '<ix-line-chart [lines]="lines()" [x]="x" [y]="y()" [words]="words()" />',
})
export class TorqueChart {
  private readonly units = inject(UnitsService);
  readonly points = input.required<readonly TorquePoint[]>();
  protected readonly x = { title: 'rpm' };
  protected readonly y = computed(() => ({ title: amountWord('Nm', this.units.unit()), min: 0 }));
  protected readonly lines = computed((): readonly ChartLine[] => [
    {
      name: 'torque',
      colour: '--dye',
      dots: true,
      points: this.points().map((p) => ({ x: p.rpm, y: amountShown(p.torque, 'Nm', this.units.unit()) })),
    },
  ]);
  protected readonly words = computed(
    () =>
      `Torque curve: ${this.points()
        .map((p) => `${this.units.show(p.torque, 'Nm')} at ${p.rpm} rpm`)
        .join(', ')}`,
  );
}
