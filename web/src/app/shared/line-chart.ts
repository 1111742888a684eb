import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { Chart } from 'chart.js';
import { ThemeService } from '../state/theme.service';

/** One line of a chart. */
export interface ChartLine {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  /** Custom property its colour is taken from. */
  readonly colour: string;
  readonly dashed?: boolean;
  /** Its points are marked. */
  readonly dots?: boolean;
  /** Only its points, no line between them. */
  readonly only?: boolean;
}

/** What stands on an axis, and where it ends; by what is drawn where left out. */
interface ChartAxis {
  readonly title: string;
  readonly min?: number;
  readonly max?: number;
}

/** Lines over one another; what it says stands beside it for those who cannot see it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-line-chart',
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
export class LineChart {
  private readonly theme = inject(ThemeService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly lines = input.required<readonly ChartLine[]>();
  readonly x = input.required<ChartAxis>();
  readonly y = input.required<ChartAxis>();
  readonly words = input.required<string>();
  private chart: Chart<'line', { x: number; y: number }[]> | undefined;
  /** Only the last drawing that was asked for is made. */
  private asked = 0;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
    afterRenderEffect(() => {
      this.theme.dark();
      void this.draw(this.lines(), this.x(), this.y(), this.canvas().nativeElement);
    });
  }

  private async draw(
    lines: readonly ChartLine[],
    x: ChartAxis,
    y: ChartAxis,
    canvas: HTMLCanvasElement,
  ): Promise<void> {
    const asked = (this.asked += 1);
    const { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip, Legend } =
      await import('chart.js');
    if (!canvas.isConnected || asked !== this.asked) return;
    Chart.register(LinearScale, LineController, LineElement, PointElement, Tooltip, Legend);
    this.chart?.destroy();
    Chart.defaults.font.family = getComputedStyle(canvas).fontFamily;
    const colour = (name: string) => getComputedStyle(canvas).getPropertyValue(name).trim();
    const axis = ({ title, ...ends }: ChartAxis) => ({
      type: 'linear' as const,
      ...ends,
      title: { display: true, text: title, color: colour('--ink-2') },
      // Round figures, as everywhere without commas.
      ticks: { color: colour('--ink-2'), callback: (value: number | string) => String(value) },
      grid: { color: colour('--rule') },
    });
    this.chart = new Chart<'line', { x: number; y: number }[]>(canvas, {
      type: 'line',
      data: {
        datasets: lines.map(({ name, points, colour: own, dashed, dots, only }) => ({
          label: name,
          data: [...points],
          borderColor: colour(own),
          backgroundColor: colour(own),
          borderWidth: dashed ? 1.4 : 2,
          borderDash: dashed ? [6, 4] : [],
          pointRadius: dots ? 3 : 0,
          showLine: !only,
        })),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        plugins: {
          legend: {
            display: lines.length > 1,
            labels: { color: colour('--ink'), boxWidth: 18, boxHeight: 1 },
          },
        },
        scales: { x: axis(x), y: axis(y) },
      },
    });
  }
}
