import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { isOpen, withValue, type Figure } from '@intervex/core';
import { FigureValue } from '../shared/figure-value';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';

/** Smallest change worth showing, by unit. */
const VISIBLE: Readonly<Record<string, number>> = { mm: 0.05, rad: 0.00008, ratio: 0.0005 };

/** The numbers of this job. After an edit, what moved shows by how much. */
@Component({
  selector: 'ix-strip',
  imports: [FigureValue, MatButtonModule, MatIconModule],
  template: `
    <dl>
      @for (item of items(); track item.id) {
        <div [class.moved]="item.change">
          <dt>{{ item.label }}</dt>
          <dd>
            <ix-figure [figure]="item.figure" />
            <small class="second">{{ item.tail }}</small>
            <small class="change figure">{{ item.change }}</small>
          </dd>
        </div>
      }
    </dl>
    <button
      mat-button
      type="button"
      class="checks"
      [class]="level()"
      (click)="selection.toggleChecks()"
      [attr.aria-expanded]="selection.checksOpen()"
    >
      <mat-icon [svgIcon]="level()" aria-hidden="true" />
      {{ text() }}
    </button>
  `,
  styleUrl: './strip.scss',
  host: { role: 'region', 'aria-label': 'Running strip' },
})
export class Strip {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly selection = inject(SelectionService);

  protected readonly items = computed(() => {
    const before = this.store.stripBefore();
    return this.store.results().strip.map(({ id, label, figure, tail }) => ({
      id,
      label,
      figure: id === 'pinion' && figure ? withValue(figure, Math.abs(figure.value)) : figure,
      tail: tail ?? '',
      change: figure ? this.change(figure, before[id]) : '',
    }));
  });
  private readonly open = computed(() => this.store.results().checks.filter(isOpen));
  protected readonly level = computed(() => {
    const open = this.open();
    if (open.some((c) => c.level === 'stop')) return 'stop';
    return open.length > 0 ? 'caution' : 'settled';
  });
  protected readonly text = computed(() => {
    const stops = this.open().filter((c) => c.level === 'stop').length;
    const cautions = this.open().length - stops;
    const parts = [
      stops ? `${stops} ${stops === 1 ? 'stop' : 'stops'}` : '',
      cautions ? `${cautions} ${cautions === 1 ? 'caution' : 'cautions'}` : '',
    ];
    return parts.filter(Boolean).join(', ') || 'No open checks';
  });

  private change(figure: Figure, before: number | undefined): string {
    if (before === undefined) return '';
    const by = figure.value - before;
    if (Math.abs(by) < (VISIBLE[figure.unit] ?? 0.05)) return '';
    const text = this.units.show(by, figure.unit);
    return by > 0 ? `+${text}` : text;
  }
}
