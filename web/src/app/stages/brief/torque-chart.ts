import {
  afterRenderEffect,
  Component,
  DestroyRef,
  inject,
  input,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { amountShown, amountWord, type LengthUnit, type TorquePoint } from '@intervex/core';
import type { Chart } from 'chart.js';
import { ThemeService } from '../../state/theme.service';
import { UnitsService } from '../../state/units.service';

/** The engine's torque over its speed. */
@Component({
  selector: 'ix-torque-chart',
  template: `
    <canvas #canvas role="img" [attr.aria-label]="words()"></canvas>
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      height: 190px;
    }
  `,
})
export class TorqueChart {
  private readonly theme = inject(ThemeService);
  private readonly units = inject(UnitsService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly points = input.required<readonly TorquePoint[]>();
  private chart: Chart<'line', { x: number; y: number }[]> | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
    afterRenderEffect(() => {
      this.theme.dark();
      void this.draw(this.points(), this.units.unit(), this.canvas().nativeElement);
    });
  }

  protected words(): string {
    return `Torque curve: ${this.points()
      .map((p) => `${this.units.show(p.torque, 'Nm')} at ${p.rpm} rpm`)
      .join(', ')}`;
  }

  private async draw(
    points: readonly TorquePoint[],
    unit: LengthUnit,
    canvas: HTMLCanvasElement,
  ): Promise<void> {
    const { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } = await import('chart.js');
    Chart.register(LinearScale, LineController, LineElement, PointElement, Tooltip);
    if (!canvas.isConnected) return;
    this.chart?.destroy();
    Chart.defaults.font.family = getComputedStyle(canvas).fontFamily;
    const colour = (name: string) => getComputedStyle(canvas).getPropertyValue(name).trim();
    const axis = (text: string) => ({
      type: 'linear' as const,
      title: { display: true, text, color: colour('--ink-2') },
      ticks: { color: colour('--ink-2') },
      grid: { color: colour('--rule') },
    });
    this.chart = new Chart<'line', { x: number; y: number }[]>(canvas, {
      type: 'line',
      data: {
        datasets: [
          {
            data: points.map((p) => ({ x: p.rpm, y: amountShown(p.torque, 'Nm', unit) })),
            borderColor: colour('--dye'),
            backgroundColor: colour('--dye'),
            borderWidth: 2,
            pointRadius: 3,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: { x: axis('rpm'), y: { ...axis(amountWord('Nm', unit)), beginAtZero: true } },
      },
    });
  }
}
