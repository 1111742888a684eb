import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { limitsOf, SIDES, sideName, stance, tightest, type Span, type StanceResult } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** The tightest gaps, and what would clear. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-clearances',
  imports: [FigureValue],
  template: `
    <dl class="facts">
      @for (g of gaps(); track g.name) {
        <div>
          <dt>{{ g.name }}</dt>
          <dd><ix-figure [figure]="g.figure" [withU]="true" /></dd>
        </div>
      }
    </dl>
    <dl class="facts solves">
      <div>
        <dt>WMS width for this wheel</dt>
        <dd class="figure">{{ solves().width }}</dd>
      </div>
      <div>
        <dt>Offset for this width</dt>
        <dd class="figure">{{ solves().et }}</dd>
      </div>
      <div>
        <dt>Widest section, both sides</dt>
        <dd class="figure">{{ solves().widest }}</dd>
      </div>
      <div>
        <dt>Arches</dt>
        <dd>{{ solves().arch }}</dd>
      </div>
    </dl>
  `,
  styles: `
    .facts.solves dd {
      font-size: 13.5px;
    }
  `,
})
export class Clearances {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly stance = computed(() => this.store.results().of(stance));
  protected readonly gaps = computed(() => {
    const { clearances } = this.stance();
    const { limits } = this.store.plan();
    return SIDES.flatMap((side) =>
      (['inboard', 'outboard'] as const).flatMap((from) => {
        const worst = tightest(clearances, side, from, limitsOf(limits));
        return worst ? [{ name: `${sideName(side)}, ${from}`, figure: worst.gap }] : [];
      }),
    );
  });
  /** What would clear, in words. */
  protected readonly solves = computed(() => {
    const { spans, widest, archWork, proven } = this.stance();
    const known = SIDES.flatMap((side) => {
      const mm = archWork[side];
      return mm === undefined ? [] : [{ side, mm }];
    });
    const arch = known.filter(({ mm }) => mm > 0).map(({ side, mm }) => `${side} ${this.units.show(mm, 'mm')}`);
    return {
      width: this.span(spans?.half, 2),
      et: this.span(spans?.et, 1),
      widest: this.widest(widest),
      arch: arch.length
        ? `metal to move inboard: ${arch.join(', ')}`
        : proven && known.length === SIDES.length
          ? 'no metal has to move'
          : 'not known yet',
    };
  });

  private span(span: Span | undefined, times: number): string {
    if (!span) return '–';
    const show = (v: number | undefined) => (v === undefined ? 'open' : this.units.show(v * times, 'mm'));
    const { least, most } = span;
    if (least !== undefined && most !== undefined && least > most) return 'none clears on both sides';
    return `${show(least)} to ${show(most)}`;
  }

  private widest({ left, right }: StanceResult['widest']): string {
    if (left === undefined || right === undefined) return 'not known yet';
    const section = Math.min(left, right);
    if (!Number.isFinite(section)) return 'nothing is in the way';
    return section > 0 ? this.units.show(section, 'mm') : 'no tyre fits';
  }
}
