import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { ends, brakes, limitValue, type Figure, type PartOffer, type PartSearch } from '@intervex/core';
import { SidedTable, type SidedRow } from '../../shared/sided-table';
import { CounterService } from '../../state/counter.service';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { OpenChecks } from '../../stage/open-checks';

/** Bolt circles and bores that fit differ by no more, mm. */
const FITS = 0.5;
/** Holes of the housing’s end stand so far apart where nobody has read them, mm. */
const USUAL_HIGH = 50.8;

/** Where rotor and caliper stand, kits of the counter against this axle and rim, and the decision between them. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-brakes',
  imports: [OpenChecks, SidedTable, MatButtonModule, MatIconModule],
  providers: [CounterService],
  templateUrl: './brakes-desk.html',
  styles: `
    h2 {
      margin: 14px 0 4px;
      font-size: 15px;
    }
    textarea {
      max-width: 560px;
    }
    button {
      margin-right: 6px;
    }
  `,
})
export class BrakesDesk {
  protected readonly counter = inject(CounterService);
  private readonly person = inject(PersonService);
  private readonly units = inject(UnitsService);
  protected readonly store = inject(PlanStore);
  protected readonly problem = signal('');
  protected readonly reason = signal('');
  protected readonly brakes = computed(() => this.store.results().of(brakes));
  protected readonly search = computed<PartSearch | undefined>(() => this.store.plan().searches.brakeKit);
  protected readonly verdict = computed(() => this.store.plan().verdicts.brakes);
  protected readonly rows = computed(() => {
    const { rotor, shim, radius, rim, hose } = this.brakes();
    const row = (label: string, left: Figure | undefined, right: Figure | undefined): SidedRow => ({
      label,
      left,
      right,
    });
    const once = (label: string, left: Figure | undefined): SidedRow => ({ label, left, once: true });
    return [
      row('Brake space', this.store.results().of(ends).space.left, this.store.results().of(ends).space.right),
      row('Rotor’s middle from the housing end', rotor.left, rotor.right),
      row('Shim under the bracket', shim.left, shim.right),
      once('Arm of the brake', radius),
      once('Rotor’s edge to the rim', rim),
      once('Hose left at full droop', hose),
    ];
  });
  /** Every kit with what does not fit, and what its rotor gains over the one there is. */
  protected readonly kits = computed(() => {
    const { known, of: resultOf } = this.store.results();
    const { space } = resultOf(ends);
    const of = (id: string) => known.get(id)?.figure.value;
    const { limits } = this.store.plan();
    const [limit, shims] = [limitValue(limits, 'stance.caliper'), limitValue(limits, 'brake.shim')];
    const now = this.brakes().radius?.value;
    return (this.search()?.found ?? [])
      .map((offer) => {
        const { rotor = 0, brakeSpace, endWide, endHigh, bore, reach, pad } = offer.size;
        const off = (name: string, size: number | undefined, wanted: number | undefined, play: number) =>
          size !== undefined && wanted !== undefined && Math.abs(size - wanted) > play
            ? `${name} ${this.show(size)}, here ${this.show(wanted)}`
            : '';
        const inside = of('rim.inside');
        const why = [
          off('brake space', brakeSpace, space.left?.value, shims),
          off('holes across', endWide, of('donor.endWide'), FITS),
          off('holes upright', endHigh, of('donor.endHigh'), FITS),
          bore !== undefined && of('donor.bearingBore') !== undefined && bore < (of('donor.bearingBore') ?? 0)
            ? `bore ${this.show(bore)} smaller than the bearing`
            : '',
          inside !== undefined && inside / 2 - (reach ?? rotor / 2) < limit
            ? `does not turn in this rim: ${this.show(inside / 2 - (reach ?? rotor / 2))} left`
            : '',
        ].filter(Boolean);
        const arm = (rotor - (pad ?? 0)) / 2;
        const gain = now ? `${arm >= now ? '+' : '−'}${Math.abs((arm / now - 1) * 100).toFixed(0)} %` : '–';
        return { offer, why, gain, arm: this.show(arm) };
      })
      .sort((a, b) => a.why.length - b.why.length || a.offer.price - b.offer.price);
  });

  private show = (mm: number): string => this.units.show(mm, 'mm');

  protected async ask(): Promise<void> {
    const high = this.store.results().known.get('donor.endHigh')?.figure.value ?? USUAL_HIGH;
    const near = { endHigh: Math.round(high * 10) / 10 };
    await this.counter.keep('brakeKit', { kind: 'brakeKit', near });
  }

  protected pick(offer: PartOffer): void {
    this.counter.pick('brakeKit', offer.number);
  }

  /** A larger rotor, or pads that any shop has: a decision with its reason. */
  protected decide(verdict: 'bigger' | 'serviceable'): void {
    const reason = this.reason().trim();
    if (reason.length < 3) {
      this.problem.set('Write the reason first: it stands on the brake order.');
      return;
    }
    this.problem.set('');
    this.store.put('verdicts', 'brakes', {
      verdict,
      reason,
      who: this.person.name(),
      at: new Date().toISOString(),
    });
    this.store.saveNow();
  }
}
