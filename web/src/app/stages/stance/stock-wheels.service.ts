import { computed, inject, Injectable } from '@angular/core';
import { bySide, centreRange, fitMargin, sectionOn, stance, wheelWidth } from '@intervex/core';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** Wheels of the counter’s last answer against this axle. */
@Injectable({ providedIn: 'root' })
export class StockWheelsService {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  readonly search = computed(() => this.store.plan().searches.wheel);

  /** Every wheel with the margin it leaves on the tighter side, best first. */
  readonly rows = computed(() => {
    const offers = this.search()?.found ?? [];
    const { tyre, half, poses, offCentre, proven } = this.store.results().of(stance);
    if (!tyre || !half) return [];
    return offers
      .flatMap((offer) => {
        // A wheel whose list does not say how wide it is, or where its face stands, cannot be told to clear.
        const [width, et] = [offer.size['width'], offer.size['et']];
        if (width === undefined || et === undefined) return [];
        const wheel = wheelWidth(sectionOn(tyre, width), width);
        const ranges = bySide((side) => centreRange(wheel, poses[side]));
        const margin = fitMargin(ranges, half.value - et, offCentre);
        const text = `${margin >= 0 ? '+' : '−'}${this.units.show(Math.abs(margin), 'mm')}`;
        return [{ offer, et, margin, text, clears: proven && margin >= 0 }];
      })
      .sort((a, b) => Number(b.margin >= 0) - Number(a.margin >= 0) || b.margin - a.margin);
  });
}
